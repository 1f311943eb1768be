<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Place\Light;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\Serving;
use Lantern\Core\Visitor;

/** Makes of a menu what one visitor gets at one moment, with the reason for each entry that is left out. */
final class Resolver
{
    /** @var list<LeftOut> */
    private array $leftOut = [];
    private ?\DateTimeImmutable $nextChange = null;

    /** @param array<string, Place> $places every place that the menu refers to, by id */
    private function __construct(private readonly array $places, private readonly Visitor $visitor)
    {
    }

    /** @param array<string, Place> $places every place that the menu refers to, by id; one that is missing counts as gone */
    public static function resolve(Tree $tree, array $places, Visitor $visitor): ResolvedMenu
    {
        $resolver = new self($places, $visitor);
        $entries = $resolver->entries($tree->entries);

        return new ResolvedMenu($entries, $resolver->leftOut, $resolver->nextChange);
    }

    /**
     * @param list<Entry> $entries
     *
     * @return list<ResolvedEntry>
     */
    private function entries(array $entries): array
    {
        $shown = [];
        foreach ($entries as $entry) {
            $resolved = $this->entry($entry);
            if (null !== $resolved) {
                $shown[] = $resolved;
            }
        }

        return $shown;
    }

    private function entry(Entry $entry): ?ResolvedEntry
    {
        $place = $entry->target instanceof PlaceTarget ? $this->places[$entry->target->placeId] ?? null : null;
        $label = $entry->label ?? $place->title ?? '';
        $this->noteDates($entry, $place);

        $own = $this->ownReason($entry);
        if (null !== $own) {
            $this->leaveOut($entry, $label, $own);
            $this->leaveOutBelow($entry);

            return null;
        }
        $reason = $entry->target instanceof PlaceTarget ? $this->placeReason($place) : null;
        $mark = \count($this->leftOut);
        $children = $this->entries($entry->children);
        $leadsSomewhere = null === $reason && !$entry->target instanceof Heading;
        if (!$leadsSomewhere && ([] === $children || null !== $reason)) {
            // Told before its children, in the order of the menu.
            $told = new LeftOut($entry, $label, $reason ?? Reason::NothingBelow, asHeading: [] !== $children);
            array_splice($this->leftOut, $mark, 0, [$told]);
        }
        if (!$leadsSomewhere && [] === $children) {
            return null;
        }

        return new ResolvedEntry(
            $entry->id,
            $label,
            $leadsSomewhere ? $this->href($entry->target, $place) : null,
            $leadsSomewhere ? $place?->id : null,
            $entry->newTab || ($leadsSomewhere && Serving::NewTab === $place?->serving),
            $children,
        );
    }

    private function ownReason(Entry $entry): ?Reason
    {
        $moment = $this->visitor->moment;

        return match (true) {
            !$entry->enabled => Reason::SwitchedOff,
            null !== $entry->opening->from && $moment < $entry->opening->from => Reason::NotYet,
            !$entry->opening->contains($moment) => Reason::NoLonger,
            !$entry->audience->includes($this->visitor) => Reason::OtherAudience,
            default => null,
        };
    }

    private function placeReason(?Place $place): ?Reason
    {
        if (null === $place) {
            return Reason::PlaceGone;
        }

        return match ($place->lightAt($this->visitor->moment)) {
            Light::Closed => Reason::PlaceClosed,
            Light::Quiet => Reason::PlaceQuiet,
            Light::Open => $place->audience->includes($this->visitor) ? null : Reason::PlaceNotForVisitor,
        };
    }

    private function href(Target $target, ?Place $place): ?string
    {
        return match (true) {
            $target instanceof PlaceTarget => $place?->address->encoded().('' === $target->part ? '' : '#'.rawurlencode($target->part)),
            $target instanceof OutsideTarget => $target->url,
            $target instanceof ContactTarget => $target->uri,
            default => null,
        };
    }

    private function leaveOut(Entry $entry, string $label, Reason $reason): void
    {
        $this->leftOut[] = new LeftOut($entry, $label, $reason);
    }

    private function leaveOutBelow(Entry $entry): void
    {
        foreach ($entry->children as $child) {
            $place = $child->target instanceof PlaceTarget ? $this->places[$child->target->placeId] ?? null : null;
            $this->noteDates($child, $place);
            $this->leaveOut($child, $child->label ?? $place->title ?? '', Reason::ParentLeftOut);
            $this->leaveOutBelow($child);
        }
    }

    private function noteDates(Entry $entry, ?Place $place): void
    {
        foreach ([$entry->opening, $place?->opening] as $opening) {
            $change = $opening?->nextChange($this->visitor->moment);
            if (null !== $change && (null === $this->nextChange || $change < $this->nextChange)) {
                $this->nextChange = $change;
            }
        }
    }
}
