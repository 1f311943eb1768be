<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\BadAddress;
use Lantern\Core\Address\ReservedAddresses;
use Lantern\Core\Address\SplitTarget;
use Lantern\Core\Answer\Answer;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Place\Place;
use Lantern\Core\Words\Anchor;
use Lantern\Core\Words\Link;

/** Follows links as a visitor would, and says what is wrong with them. */
final readonly class LinkCheck
{
    /** Parts that the storefront's own pages have, whatever stands on them. */
    private const OF_EVERY_PAGE = ['main', 'filters', 'listed', 'found-places', 'q'];

    public function __construct(private Examination $examination)
    {
    }

    /**
     * A link in words.
     *
     * @param list<string> $met addresses whose visitors meet it
     */
    public function link(Link $link, Subject $subject, array $met): void
    {
        $words = '' === $link->words ? 'A picture' : "“{$link->words}”";
        if (null !== $link->outside) {
            $this->outside($link->outside, $words, $subject, $met);
        } elseif (null !== $link->placeId) {
            $this->reference($link, $words, $subject, $met);
        } elseif (null !== $link->address) {
            $this->typed($link->address.('' === $link->part ? '' : "#$link->part"), $words, $subject, $met);
        }
    }

    /** @param list<string> $met */
    public function outside(string $url, string $words, Subject $subject, array $met): void
    {
        // An address of this shop may be written as one of the web, too.
        $own = $this->examination->shop->within($url);
        if (null !== $own) {
            $this->typed($own, $words, $subject, $met, $url);

            return;
        }
        $answer = $this->examination->shop->outside($url);
        $kind = $answer?->kind();
        if (null !== $answer && null !== $kind) {
            $secure = FindingKind::OutsideSecure === $kind ? (string) preg_replace('/^http:/i', 'https:', $url) : '';
            $this->examination->note(new Finding(
                $kind,
                $subject,
                ['link' => $words, 'url' => $url, 'answer' => $answer->words(), 'new' => '' === $secure ? $answer->moved ?? '' : $secure],
                $met,
                $url,
            ));
        }
    }

    /**
     * A part of a page that a link leads to.
     *
     * @param list<string> $met
     * @param string       $typed the address, where it was typed
     */
    public function part(Place $place, string $part, string $words, Subject $subject, array $met, string $typed = ''): void
    {
        if ('' === $part || \in_array($part, self::OF_EVERY_PAGE, true)) {
            return;
        }
        $parts = $this->examination->shop->parts($place->id);
        if ([] !== array_filter($parts, static fn (Anchor $one): bool => $one->name === $part)) {
            return;
        }
        $nearest = self::nearest($part, $parts);
        $this->examination->note(new Finding(
            FindingKind::PartMissing,
            $subject,
            [
                'link' => $words,
                'to' => $place->title,
                'place' => $place->id,
                'part' => $part,
                'nearest' => $nearest->name ?? '',
                'heading' => $nearest->heading ?? '',
                'typed' => $typed,
            ],
            $met,
            "$place->id#$part",
        ));
    }

    /** What a guest gets who follows to an address. */
    public function answer(string $target): Answer
    {
        return (new Answerer($this->examination->shop, $this->examination->shop))->answer($target, $this->examination->guest);
    }

    /** What is the matter with a place that does not open, such as “is closed”. */
    public function closedWords(?Place $place): string
    {
        $moment = $this->examination->moment;

        return match (true) {
            null === $place => 'is no longer there',
            $place->light->opens() && null !== $place->opening->from && $moment < $place->opening->from => 'opens only on '
                .$this->examination->day($place->opening->from),
            $place->light->opens() && null !== $place->opening->until => 'closed on '.$this->examination->day($place->opening->until),
            default => 'is closed',
        };
    }

    /** @param list<string> $met */
    private function reference(Link $link, string $words, Subject $subject, array $met): void
    {
        $place = $this->examination->shop->get($link->placeId ?? '');
        if (true === $place?->opensAt($this->examination->moment)) {
            $this->examination->leadsTo($place->id);
            $this->part($place, $link->part, $words, $subject, $met);

            return;
        }
        $details = [
            'link' => $words,
            'to' => $place->title ?? '',
            'place' => $place->id ?? '',
            'address' => $place->address->path ?? '',
            'is' => $this->closedWords($place),
            'asked' => $link->placeId ?? '',
        ];
        if ('picture' === $link->form || 'video' === $link->form) {
            $this->examination->note(new Finding(FindingKind::PictureGone, $subject, $details, $met, $link->placeId ?? ''));

            return;
        }
        $end = null === $place ? null : $this->answer($place->address->encoded());
        if (null !== $end && $end->isRedirect()) {
            $this->examination->note(new Finding(
                FindingKind::LinkElsewhere,
                $subject,
                $details + ['end' => $end->place->title ?? $end->location ?? ''],
                $met,
                $link->placeId ?? '',
            ));
        } else {
            $this->examination->note(new Finding(FindingKind::LinkClosed, $subject, $details, $met, $link->placeId ?? ''));
        }
    }

    /**
     * @param string       $target path, query and part
     * @param list<string> $met
     * @param string|null  $written as it stands there, where that is otherwise
     */
    private function typed(string $target, string $words, Subject $subject, array $met, ?string $written = null): void
    {
        $split = SplitTarget::of($target);
        $asked = $split->asked;
        $typed = $written ?? $asked;
        try {
            $address = Address::parse($split->path);
        } catch (BadAddress) {
            $this->examination->note(new Finding(
                FindingKind::LinkNowhere,
                $subject,
                ['link' => $words, 'address' => $asked, 'typed' => $typed, 'place' => ''],
                $met,
                $asked,
            ));

            return;
        }
        if (!$address->isRoot() && null !== ReservedAddresses::reason($address)) {
            if (!$this->examination->shop->serves($address)) {
                $this->examination->note(new Finding(
                    FindingKind::LinkNowhere,
                    $subject,
                    ['link' => $words, 'address' => $address->path, 'typed' => $typed, 'to' => '', 'place' => '', 'is' => ''],
                    $met,
                    $asked,
                ));
            }

            return;
        }
        $answer = $this->answer($asked);
        $place = $answer->place;
        $details = [
            'link' => $words,
            'address' => $address->path,
            'typed' => $typed,
            'to' => $place->title ?? '',
            'place' => $place->id ?? '',
        ];
        if ($answer->arrives()) {
            if (null !== $place) {
                $this->examination->leadsTo($place->id);
                $this->part($place, rawurldecode($split->fragment), $words, $subject, $met, $asked);
            }
            $over = $answer->isRedirect() && $answer->hops() > 0;
            // A reference has no query, and it needs a place.
            if (null !== $place && '' === $split->query) {
                $this->examination->note(new Finding(
                    $over ? FindingKind::LinkOverRedirect : FindingKind::LinkTyped,
                    $subject,
                    $details,
                    $met,
                    $asked,
                ));
            }

            return;
        }
        $this->examination->note(new Finding(
            FindingKind::LinkNowhere,
            $subject,
            $details + ['is' => null === $place ? '' : $this->closedWords($place)],
            $met,
            $asked,
        ));
    }

    /**
     * The part that is most like another, by its letters; null where none is like it at all.
     *
     * @param list<Anchor> $parts
     */
    private static function nearest(string $part, array $parts): ?Anchor
    {
        $best = null;
        $most = 45.0;
        foreach ($parts as $one) {
            similar_text($part, $one->name, $alike);
            if ($alike > $most) {
                [$best, $most] = [$one, $alike];
            }
        }

        return $best;
    }
}
