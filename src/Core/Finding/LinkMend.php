<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Words\Link;
use Lantern\Core\Words\Words;

/** What becomes of the links of a text when a finding about it is mended. */
final readonly class LinkMend
{
    public function __construct(private Finding $finding, private MendKind $mend, private MendAnswer $answer)
    {
    }

    public function of(Words $words): Words
    {
        return $words->mapLinks(fn (Link $link): ?Link => $this->isMeant($link) ? $this->mended($link) : $link);
    }

    private function isMeant(Link $link): bool
    {
        $of = $this->finding->detail(...);

        return match ($this->finding->kind) {
            FindingKind::LinkNowhere, FindingKind::LinkTyped, FindingKind::LinkOverRedirect => $link->address === $of('typed'),
            FindingKind::LinkClosed, FindingKind::LinkElsewhere, FindingKind::PictureGone => $link->placeId === $of('asked'),
            FindingKind::PartMissing => rawurldecode($link->part) === $of('part')
                && ($link->placeId === $of('place') || $link->isOwnPart() || null !== $link->address && $link->address === $of('typed')),
            FindingKind::OutsideBroken, FindingKind::OutsideMoved, FindingKind::OutsideSecure => $link->outside === $of('url'),
            FindingKind::PictureWithoutWords => 'picture' === $link->form
                && '' === trim($link->words)
                && ($link->placeId ?? $link->address ?? '') === $of('place'),
            default => false,
        };
    }

    private function mended(Link $link): ?Link
    {
        return match ($this->mend) {
            MendKind::TakeOut => null,
            MendKind::LeadElsewhere => new Link($link->form, $link->words, $this->answer->placeId()),
            MendKind::Refer => new Link($link->form, $link->words, $this->finding->detail('place'), part: $link->part),
            MendKind::NearestPart => new Link(
                $link->form,
                $link->words,
                $link->isOwnPart() ? null : $this->finding->detail('place'),
                part: $this->finding->detail('nearest'),
            ),
            MendKind::WholePage => new Link($link->form, $link->words, $this->finding->detail('place')),
            MendKind::NewAddress => new Link($link->form, $link->words, outside: $this->finding->detail('new')),
            MendKind::Write => new Link($link->form, $this->answer->text(), $link->placeId, $link->address, $link->part, $link->outside),
            default => $link,
        };
    }
}
