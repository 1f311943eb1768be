<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\LeftOut;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Reason;
use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Core\Menu\Resolver;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Place\Opening;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\Serving;
use Lantern\Core\Visitor;

/**
 * Makes of a page's body, of a wide panel, or of a column of the footer, what one visitor gets at one moment, with the reason for each
 * piece that is left out.
 */
final class LayoutResolver
{
    /** @var list<LeftOut> */
    private array $leftOut = [];
    private ?\DateTimeImmutable $nextChange = null;

    private function __construct(private readonly Supplies $supplies, private readonly Visitor $visitor, private readonly bool $inFrame)
    {
    }

    /** @param Tree $tree in the shape of a `Layout` */
    public static function resolve(Tree $tree, Supplies $supplies, Visitor $visitor): ResolvedLayout
    {
        $resolver = new self($supplies, $visitor, $tree->shape instanceof Layout && $tree->shape->isInFrame());
        $pieces = $resolver->pieces($tree->entries);
        // A column by itself of which nothing is left is not there.
        if (1 === \count($pieces) && $pieces[0]->piece instanceof Column && [] === $pieces[0]->children) {
            $pieces = [];
        }

        return new ResolvedLayout($pieces, $resolver->leftOut, $resolver->nextChange);
    }

    /**
     * @param list<Entry> $entries
     *
     * @return list<ResolvedPiece>
     */
    private function pieces(array $entries): array
    {
        $shown = [];
        foreach ($entries as $entry) {
            $resolved = $entry->content instanceof Piece ? $this->piece($entry, $entry->content) : null;
            if (null !== $resolved) {
                $shown[] = $resolved;
            }
        }

        return $shown;
    }

    private function piece(Entry $entry, Piece $piece): ?ResolvedPiece
    {
        $place = $entry->target instanceof PlaceTarget ? $this->supplies->places[$entry->target->placeId] ?? null : null;
        $this->note($entry->opening);
        if (null !== $place) {
            $this->note($place->opening);
        }
        $reason = Reason::ofLine($entry, $this->visitor);
        if (null !== $reason) {
            return $this->leaveOut($entry, $place, $reason);
        }
        $leads = !$entry->target instanceof Heading;
        // A menu mentions no quiet place, and a wide panel or a column of the footer stands for one.
        $against = $entry->target instanceof PlaceTarget
            ? Reason::ofPlace($place, $this->visitor, $this->inFrame || $piece->kind()->leavesOutQuiet())
            : null;
        if ($piece->needsTarget()) {
            $reason = $leads ? $against : Reason::NothingToShow;
            if (null !== $reason) {
                return $this->leaveOut($entry, $place, $reason);
            }
        }
        $mark = \count($this->leftOut);
        $children = $this->childrenOf($entry, $piece);
        [$links, $placeIds] = $this->listed($entry, $piece);
        $resolved = new ResolvedPiece(
            $entry->id,
            $this->inOrder($piece),
            $entry->label ?? $place->title ?? '',
            $leads && null === $against ? Resolver::href($entry->target, $place, $this->supplies->places) : null,
            null === $against ? $place : null,
            $entry->newTab || (null === $against && Serving::NewTab === $place?->serving),
            $children,
            $links,
            $placeIds,
        );
        $reason = $this->emptiness($resolved);
        if (null !== $reason) {
            array_splice($this->leftOut, $mark, 0, [new LeftOut($entry, $resolved->label, $reason)]);

            return null;
        }

        // A carousel of one is that one.
        return $piece instanceof Carousel && 1 === \count($children) ? $children[0] : $resolved;
    }

    /** @return list<ResolvedPiece> */
    private function childrenOf(Entry $entry, Piece $piece): array
    {
        if ($piece->kind()->holdsLinks()) {
            return [];
        }
        $children = $this->pieces($entry->children);

        return $piece instanceof Column ? $this->withoutEdges($children, $entry->children) : $children;
    }

    /**
     * Without headings that nothing follows, and dividers that divide nothing.
     *
     * @param list<ResolvedPiece> $pieces
     * @param list<Entry>         $entries what they were made from
     *
     * @return list<ResolvedPiece>
     */
    private function withoutEdges(array $pieces, array $entries): array
    {
        // A carousel of one stands here as that one.
        $byId = array_column(
            [...$entries, ...array_merge(...array_map(static fn (Entry $entry): array => $entry->children, $entries))],
            null,
            'id',
        );
        $out = function (ResolvedPiece $piece, Reason $reason) use ($byId): void {
            if (isset($byId[$piece->id])) {
                $this->leftOut[] = new LeftOut($byId[$piece->id], $piece->label, $reason);
            }
        };
        while ([] !== $pieces && $pieces[0]->piece instanceof Divider) {
            $out(array_shift($pieces), Reason::AtTheEdge);
        }
        while ([] !== $pieces) {
            $last = $pieces[\count($pieces) - 1];
            if (!$last->piece instanceof Divider && !$last->piece instanceof Title) {
                break;
            }
            array_pop($pieces);
            $out($last, $last->piece instanceof Divider ? Reason::AtTheEdge : Reason::NothingAfter);
        }

        return $pieces;
    }

    /** @return array{list<ResolvedEntry>, list<string>} links, or the places that are shown */
    private function listed(Entry $entry, Piece $piece): array
    {
        return match (true) {
            $piece instanceof Links => [$this->links($entry), []],
            $piece instanceof Products => [
                [],
                \array_slice(
                    ProductSource::Hand === $piece->source
                        ? $this->placesOf($this->links($entry))
                        : $this->supplies->products[$entry->id] ?? [],
                    0,
                    $piece->most,
                ),
            ],
            $piece instanceof Cards => [
                [],
                \array_slice(
                    $piece->ofChildren ? $this->shown($this->supplies->children[$entry->id] ?? []) : $this->placesOf($this->links($entry)),
                    0,
                    $piece->most,
                ),
            ],
            default => [[], []],
        };
    }

    /** @return list<ResolvedEntry> what a menu of the lines below it would show */
    private function links(Entry $entry): array
    {
        $menu = new Tree([new Entry($entry->id, new Heading(), '-', $entry->children, filling: $entry->filling)]);
        $resolved = Resolver::resolve($menu, $this->supplies->places, $this->visitor, $this->supplies->candidates);
        foreach ($resolved->leftOut as $left) {
            if ($left->entry->id !== $entry->id) {
                $this->leftOut[] = $left;
            }
        }
        $this->noteMoment($resolved->nextChange);

        return $resolved->entries[0]->children ?? [];
    }

    /**
     * @param list<ResolvedEntry> $links
     *
     * @return list<string>
     */
    private function placesOf(array $links): array
    {
        return array_values(array_filter(array_map(static fn (ResolvedEntry $one): ?string => $one->placeId, $links), \is_string(...)));
    }

    /**
     * @param list<Place> $places
     *
     * @return list<string>
     */
    private function shown(array $places): array
    {
        foreach ($places as $place) {
            $this->note($place->opening);
        }

        return array_column(array_filter($places, fn (Place $place): bool => $place->isShownTo($this->visitor)), 'id');
    }

    /** Why nothing is to be seen of it; null where something is. */
    private function emptiness(ResolvedPiece $resolved): ?Reason
    {
        $piece = $resolved->piece;

        return match (true) {
            $piece instanceof Text => $piece->isEmpty() ? Reason::NothingToShow : null,
            $piece instanceof Picture => isset($this->supplies->pictures[$piece->name]) ? null : Reason::PictureGone,
            $piece instanceof Contact => [] === $piece->shown($this->supplies->details) ? Reason::NothingToShow : null,
            $piece instanceof SignUp => '' === $piece->list ? Reason::NoList : null,
            $piece instanceof Links => [] === $resolved->links ? Reason::NothingToShow : null,
            $piece instanceof Products, $piece instanceof Cards => [] === $resolved->placeIds ? Reason::NothingToShow : null,
            $piece instanceof OneProduct => PlaceKind::Product === $resolved->place?->kind ? null : Reason::NothingToShow,
            $piece instanceof File => PlaceKind::File === $resolved->place?->kind ? null : Reason::NothingToShow,
            $piece instanceof Band => [] === array_merge(...array_map(
                static fn (ResolvedPiece $column): array => $column->children,
                $resolved->children,
            ))
                ? Reason::NothingToShow
                : null,
            $piece instanceof Panel, $piece instanceof Tabs, $piece instanceof Tab, $piece instanceof Carousel => [] === $resolved->children
                ? Reason::NothingToShow
                : null,
            default => null,
        };
    }

    /** A ground whose picture is gone is the colour alone. */
    private function inOrder(Piece $piece): Piece
    {
        $ground = $piece instanceof Band || $piece instanceof Panel ? $piece->ground : null;
        if (null === $ground?->picture || isset($this->supplies->pictures[$ground->picture])) {
            return $piece;
        }

        return match (true) {
            $piece instanceof Band => new Band($piece->width, $piece->gap, $piece->room, new Ground($ground->colour), $piece->colours),
            $piece instanceof Panel => new Panel(
                $piece->width,
                $piece->distance,
                $piece->room,
                new Ground($ground->colour),
                $piece->colours,
                $piece->byClick,
                $piece->fades,
            ),
            default => $piece,
        };
    }

    private function leaveOut(Entry $entry, ?Place $place, Reason $reason): null
    {
        $this->leftOut[] = new LeftOut($entry, $entry->label ?? $place->title ?? '', $reason);
        $this->leaveOutBelow($entry);

        return null;
    }

    private function leaveOutBelow(Entry $entry): void
    {
        foreach ($entry->children as $child) {
            $place = $child->target instanceof PlaceTarget ? $this->supplies->places[$child->target->placeId] ?? null : null;
            $this->note($child->opening);
            if (null !== $place) {
                $this->note($place->opening);
            }
            $this->leaveOut($child, $place, Reason::ParentLeftOut);
        }
    }

    private function note(Opening $opening): void
    {
        $this->noteMoment($opening->nextChange($this->visitor->moment));
    }

    private function noteMoment(?\DateTimeImmutable $change): void
    {
        if (null !== $change && (null === $this->nextChange || $change < $this->nextChange)) {
            $this->nextChange = $change;
        }
    }
}
