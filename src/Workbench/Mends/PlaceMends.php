<?php

declare(strict_types=1);

namespace Lantern\Workbench\Mends;

use Lantern\Core\Finding\ByHand;
use Lantern\Core\Finding\Finding;
use Lantern\Core\Finding\FindingKind;
use Lantern\Core\Finding\MendAnswer;
use Lantern\Core\Finding\MendKind;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Closing;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Opening;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\Revision;
use Lantern\Core\Place\SearchListing;
use Lantern\Core\Refused;
use Lantern\Reading\Copies\Copies;
use Lantern\Workbench\Places\PlaceEditor;
use Psr\Clock\ClockInterface;

/** Mends of places themselves, as part of an edit. */
final readonly class PlaceMends
{
    public function __construct(private PlaceEditor $editor, private Copies $copies, private ClockInterface $clock)
    {
    }

    /** Opens a place now, without the dates that keep it closed. */
    public function open(string $placeId, Actor $by): void
    {
        $place = $this->place($placeId);
        $now = $this->clock->now();
        $opening = $place->opening;
        $from = null !== $opening->from && $opening->from > $now ? null : $opening->from;
        $until = null !== $opening->until && $opening->until <= $now ? null : $opening->until;
        $this->editor->reviseWithin(
            $placeId,
            null,
            new Revision(light: $place->light->opens() ? $place->light : Light::Open, opening: new Opening($from, $until)),
            $by,
        );
    }

    /** @throws Refused */
    public function mend(Finding $finding, MendKind $kind, MendAnswer $answer, Actor $by): void
    {
        $place = $this->place($finding->subject->id);
        $listing = $place->listing;
        $isTitle = FindingKind::ListingTitleTwice === $finding->kind || 'title' === $finding->detail('what');
        $this->editor->reviseWithin($place->id, null, match ($kind) {
            MendKind::MakeQuiet => new Revision(light: Light::Quiet),
            MendKind::NotListed => new Revision(listing: new SearchListing(false, $listing->title, $listing->description)),
            MendKind::Write => new Revision(listing: $isTitle ? new SearchListing(
                $listing->listed,
                $answer->text(),
                $listing->description,
            ) : new SearchListing($listing->listed, $listing->title, $answer->text())),
            MendKind::Follow => new Revision(listing: $isTitle ? new SearchListing(
                $listing->listed,
                '',
                $listing->description,
            ) : new SearchListing($listing->listed, $listing->title, '')),
            MendKind::LeadElsewhere => new Revision(closing: new Closing(ClosedAnswer::Elsewhere, $answer->placeId())),
            MendKind::TakeOut => new Revision(closing: new Closing(ClosedAnswer::NotFound)),
            default => throw new ByHand(),
        }, $by);
    }

    private function place(string $id): Place
    {
        return ('' === $id ? null : $this->copies->workbench->places->get($id)) ?? throw NotThere::place();
    }
}
