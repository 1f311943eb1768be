<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Place\Opening;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\Serving;
use Lantern\Core\Visitor;

/** Makes of a menu what one visitor gets at one moment, with the reason for each entry that is left out. */
final class Resolver
{
    /** @var list<LeftOut> */
    private array $leftOut = [];
    private ?\DateTimeImmutable $nextChange = null;

    /**
     * @param array<string, Place>       $places
     * @param array<string, list<Place>> $candidates
     */
    private function __construct(private readonly array $places, private readonly Visitor $visitor, private readonly array $candidates)
    {
    }

    /**
     * @param array<string, Place>       $places     every place that the menu refers to, by id; one that is missing counts as gone
     * @param array<string, list<Place>> $candidates what could fill each self-filling entry, by its id, in the order of its rule
     */
    public static function resolve(Tree $tree, array $places, Visitor $visitor, array $candidates = []): ResolvedMenu
    {
        $resolver = new self($places, $visitor, $candidates);
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

        $own = Reason::ofLine($entry, $this->visitor);
        if (null !== $own) {
            $this->leaveOut($entry, $label, $own);
            $this->leaveOutBelow($entry);

            return null;
        }
        $reason = $entry->target instanceof PlaceTarget ? Reason::ofPlace($place, $this->visitor) : null;
        $mark = \count($this->leftOut);
        $children = [...$this->entries($entry->children), ...$this->filled($entry)];
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
            $leadsSomewhere ? self::href($entry->target, $place, $this->places) : null,
            $leadsSomewhere ? $place?->id : null,
            $entry->newTab || ($leadsSomewhere && Serving::NewTab === $place?->serving),
            $children,
        );
    }

    /** @return list<ResolvedEntry> what the shop puts below the entry by its rule */
    private function filled(Entry $entry): array
    {
        if (null === $entry->filling) {
            return [];
        }
        $byHand = array_map(
            static fn (Entry $child): ?string => $child->target instanceof PlaceTarget ? $child->target->placeId : null,
            $entry->children,
        );
        $hidden = array_fill_keys([...array_filter($byHand), ...$entry->filling->leftOut], true);
        $byParent = [];
        $all = [];
        foreach ($this->candidates[$entry->id] ?? [] as $place) {
            $byParent[$place->parentId ?? ''][] = $place;
            $all[$place->id] = true;
        }
        // What stands below another candidate is shown there and not beside it.
        $first = array_values(array_filter(
            $this->candidates[$entry->id] ?? [],
            static fn (Place $place): bool => 1 === $entry->filling->depth || !isset($all[$place->parentId ?? '']),
        ));

        return $this->fill($entry, $entry->filling, $first, $hidden, $byParent, 1);
    }

    /**
     * @param list<Place>                $places
     * @param array<string, true>        $hidden
     * @param array<string, list<Place>> $byParent
     *
     * @return list<ResolvedEntry>
     */
    private function fill(Entry $entry, SelfFilling $filling, array $places, array $hidden, array $byParent, int $level): array
    {
        $shown = [];
        foreach ($places as $place) {
            if (isset($hidden[$place->id])) {
                continue;
            }
            $this->noteChange($place->opening);
            if (\count($shown) >= $filling->most || !$place->isShownTo($this->visitor)) {
                continue;
            }
            $shown[] = new ResolvedEntry(
                $entry->id.'.'.$place->id,
                $filling->labels[$place->id] ?? $place->title,
                $place->address->encoded(),
                $place->id,
                Serving::NewTab === $place->serving,
                $level < $filling->depth ? $this->fill($entry, $filling, $byParent[$place->id] ?? [], $hidden, $byParent, $level + 1) : [],
                filled: true,
            );
        }

        return $shown;
    }

    /**
     * Where a link leads; null where it is none.
     *
     * @param array<string, Place> $places those that are referred to, by id
     */
    public static function href(Target $target, ?Place $place, array $places = []): ?string
    {
        return match (true) {
            $target instanceof PlaceTarget => $place?->address->encoded().$target->suffix($places),
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
        $this->noteChange($entry->opening);
        if (null !== $place) {
            $this->noteChange($place->opening);
        }
    }

    private function noteChange(Opening $opening): void
    {
        $change = $opening->nextChange($this->visitor->moment);
        if (null !== $change && (null === $this->nextChange || $change < $this->nextChange)) {
            $this->nextChange = $change;
        }
    }
}
