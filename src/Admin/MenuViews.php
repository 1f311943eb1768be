<?php

declare(strict_types=1);

namespace Lantern\Admin;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Admin\View\AlternativeView;
use Lantern\Admin\View\BayView;
use Lantern\Admin\View\DrawnEntry;
use Lantern\Admin\View\EntryView;
use Lantern\Admin\View\FilledView;
use Lantern\Admin\View\FillingView;
use Lantern\Admin\View\FitView;
use Lantern\Admin\View\FrameView;
use Lantern\Admin\View\MenuName;
use Lantern\Admin\View\MenuView;
use Lantern\Admin\View\NarrowingView;
use Lantern\Admin\View\OutlineLineView;
use Lantern\Admin\View\OutlineView;
use Lantern\Admin\View\PartsView;
use Lantern\Admin\View\PlaceMatchView;
use Lantern\Admin\View\TargetView;
use Lantern\Core\Fit\HeaderFit;
use Lantern\Core\Menu\ContactTarget;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\HeaderWithoutMenu;
use Lantern\Core\Menu\LeftOut;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Core\Menu\Resolver;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\Menu\Target;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Place\Place;
use Lantern\Core\Visitor;
use Lantern\Persistence\Bay;
use Lantern\Persistence\Copies;
use Lantern\Persistence\Entity\MenuRecord;
use Lantern\Persistence\EntryCodec;
use Lantern\Persistence\Frame;
use Lantern\Persistence\FrameEditor;
use Lantern\Persistence\HungMenu;
use Lantern\Persistence\Journal\Person;
use Lantern\Persistence\MatchedLine;
use Lantern\Persistence\MenuEditor;
use Lantern\Persistence\MenuLog;
use Lantern\Persistence\NotThere;
use Lantern\Persistence\PlaceMatch;
use Psr\Clock\ClockInterface;

/** Menus and the frame in the shapes of the API. */
final readonly class MenuViews
{
    public function __construct(
        private Copies $copies,
        private Frame $frame,
        private PlaceViews $places,
        private MenuEditor $editor,
        private MenuLog $log,
        private FrameEditor $frames,
        private EntityManagerInterface $entities,
        private ClockInterface $clock,
    ) {
    }

    /** @param string|null $made id of the menu that was just made */
    public function frame(Person $person, ?string $made = null): FrameView
    {
        $menus = $this->copies->workbench->menus;
        $settings = $this->copies->workbench->shop->settings();
        $hung = $this->frame->of($this->copies->workbench, Visitor::guest($this->clock->now()));
        $bays = $menus->bays();
        $names = [];
        foreach ($menus->names() as $id => $name) {
            $names[] = new MenuName($id, $name, $this->baysOf($id, $bays));
        }
        $fit = HeaderFit::of($settings['name'] ?? '', 'Your account', $hung['header']->menu->entries ?? []);

        return new FrameView(
            $settings['name'] ?? '',
            $settings['notice'] ?? '',
            array_values(array_map(static fn (HungMenu $one): BayView => new BayView(
                $one->bay->id,
                Bay::words($one->bay->id),
                $one->bay->heading,
                $one->bay->menuId,
                array_map(static fn (ResolvedEntry $entry): DrawnEntry => new DrawnEntry($entry->id, $entry->label, \count($entry->children)), $one->menu->entries),
            ), $hung)),
            $names,
            HeaderWithoutMenu::chosen($settings)->value,
            'click' === ($settings[Frame::OPENS] ?? '') ? 'click' : 'hover',
            new FitView($fit->needs, $fit->ever, $fit->widest, $fit->wraps, $fit->words()),
            $this->frames->canUndo($person),
            $made,
        );
    }

    public function menu(string $id, Person $person, Visitor $visitor): MenuView
    {
        $record = $this->entities->find(MenuRecord::class, $id) ?? throw NotThere::menu();
        $this->entities->refresh($record);
        $workbench = $this->copies->workbench;
        $tree = $workbench->menus->tree($id);
        $places = $workbench->places->byIds($tree->placeIds());
        $resolved = Resolver::resolve($tree, $places, $visitor, $workbench->fillings->candidates([$tree], $visitor->moment));
        $leftOut = [];
        foreach ($resolved->leftOut as $left) {
            $leftOut[$left->entry->id] = $left;
        }
        $alternatives = [];
        foreach ($this->log->alternatives($id) as $one) {
            $alternatives[$one->entryId][] = new AlternativeView($one->id, $one->conflict()->words($tree->find($one->entryId)), $one->person);
        }
        $can = $this->editor->canStep($id, $person);

        return new MenuView(
            $record->id,
            $record->name,
            $record->version,
            $this->baysOf($id, $workbench->menus->bays()),
            $this->entries($tree->entries, $places, $leftOut, $resolved->byId(), $alternatives),
            Tree::MAX_DEPTH,
            $can['undo'],
            $can['redo'],
            $record->changedAt->format(\DATE_ATOM),
            $record->changedBy,
        );
    }

    /**
     * @param list<MatchedLine> $lines
     */
    public function outline(array $lines): OutlineView
    {
        $places = $this->copies->workbench->places->byIds(array_values(array_filter(array_map(static fn (MatchedLine $line): ?string => $line->entry?->target instanceof PlaceTarget ? $line->entry->target->placeId : null, $lines))));

        return new OutlineView(array_map(function (MatchedLine $line) use ($places): OutlineLineView {
            $place = $line->entry?->target instanceof PlaceTarget ? $places[$line->entry->target->placeId] ?? null : null;

            return new OutlineLineView(
                $line->line->number,
                $line->level,
                $line->line->label,
                $line->line->lead,
                null === $line->entry ? null : (object) EntryCodec::encode($line->entry),
                array_map(fn (PlaceMatch $match): PlaceMatchView => new PlaceMatchView($this->places->brief($match->place), $match->sureness->value, $match->sureness->words()), $line->matches),
                null === $place ? null : $this->places->brief($place),
                $line->problem,
            );
        }, $lines));
    }

    public function parts(string $placeId): PartsView
    {
        $workbench = $this->copies->workbench;
        $place = $workbench->places->get($placeId) ?? throw NotThere::place();
        $narrowed = $place->kind->canBeNarrowed();

        return new PartsView($this->places->anchors($workbench->shop->words($placeId)), $narrowed, $narrowed ? $workbench->shop->tags() : [], (object) ($narrowed ? $workbench->shop->options() : []));
    }

    /**
     * @param list<Entry>                          $entries
     * @param array<string, Place>                 $places
     * @param array<string, LeftOut>               $leftOut      by entry id
     * @param array<string, ResolvedEntry>         $resolved     by entry id
     * @param array<string, list<AlternativeView>> $alternatives by entry id
     *
     * @return list<EntryView>
     */
    private function entries(array $entries, array $places, array $leftOut, array $resolved, array $alternatives): array
    {
        return array_map(function (Entry $entry) use ($places, $leftOut, $resolved, $alternatives): EntryView {
            $target = $entry->target;
            $place = $target instanceof PlaceTarget ? $places[$target->placeId] ?? null : null;
            $left = $leftOut[$entry->id] ?? null;

            return new EntryView(
                $entry->id,
                $entry->label ?? $place->title ?? 'A place that is no longer there',
                $entry->label,
                $this->target($target),
                null === $place ? null : $this->places->brief($place),
                $entry->enabled,
                $entry->audience->value,
                $entry->opening->from?->format(\DATE_ATOM),
                $entry->opening->until?->format(\DATE_ATOM),
                $entry->newTab,
                $entry->note,
                null === $entry->filling ? null : $this->filling($entry->filling, $places, $resolved[$entry->id] ?? null),
                $alternatives[$entry->id] ?? [],
                $left?->reason->words(),
                true === $left?->asHeading,
                $this->entries($entry->children, $places, $leftOut, $resolved, $alternatives),
            );
        }, $entries);
    }

    private function target(Target $target): TargetView
    {
        $narrowing = $target instanceof PlaceTarget && !$target->narrowing->isNone() ? $target->narrowing : null;

        return new TargetView(
            match (true) {
                $target instanceof PlaceTarget => 'place',
                $target instanceof OutsideTarget => 'outside',
                $target instanceof ContactTarget => 'contact',
                default => 'heading',
            },
            $target instanceof PlaceTarget ? $target->placeId : null,
            $target instanceof PlaceTarget ? $target->part : '',
            match (true) {
                $target instanceof OutsideTarget => $target->url,
                $target instanceof ContactTarget => $target->uri,
                default => '',
            },
            null === $narrowing ? null : new NarrowingView($narrowing->tag, $narrowing->priceFrom, $narrowing->priceTo, $narrowing->inStock, $narrowing->option, $narrowing->choice, $narrowing->words()),
        );
    }

    /** @param array<string, Place> $places */
    private function filling(SelfFilling $filling, array $places, ?ResolvedEntry $resolved): FillingView
    {
        $of = $places[$filling->placeId ?? ''] ?? null;

        return new FillingView(
            $filling->source->value,
            $filling->placeId,
            $filling->kind?->value,
            $filling->depth,
            $filling->most,
            $filling->order->value,
            (object) $filling->labels,
            $filling->leftOut,
            $filling->words($of->title ?? 'a place that is no longer there'),
            $this->filled(array_values(array_filter($resolved->children ?? [], static fn (ResolvedEntry $child): bool => $child->filled))),
            array_map($this->places->brief(...), array_values(array_filter(array_map(static fn (string $id): ?Place => $places[$id] ?? null, $filling->leftOut)))),
            null === $of ? null : $this->places->brief($of),
        );
    }

    /**
     * @param list<ResolvedEntry> $entries
     *
     * @return list<FilledView>
     */
    private function filled(array $entries): array
    {
        return array_map(fn (ResolvedEntry $entry): FilledView => new FilledView($entry->id, $entry->placeId ?? '', $entry->label, $entry->href ?? '', $this->filled($entry->children)), $entries);
    }

    /**
     * @param list<Bay> $bays
     *
     * @return list<string> in words
     */
    private function baysOf(string $menuId, array $bays): array
    {
        return array_values(array_map(
            static fn (Bay $bay): string => Bay::words($bay->id),
            array_filter($bays, static fn (Bay $bay): bool => $bay->menuId === $menuId),
        ));
    }
}
