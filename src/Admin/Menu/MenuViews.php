<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Admin\Place\PlaceViews;
use Lantern\Core\Fit\PanelFit;
use Lantern\Core\Looks\Looks;
use Lantern\Core\Looks\LooksSet;
use Lantern\Core\Looks\TooPale;
use Lantern\Core\Looks\Typeface;
use Lantern\Core\Menu\Bay;
use Lantern\Core\Menu\Content;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\HeaderWithoutMenu;
use Lantern\Core\Menu\HungMenu;
use Lantern\Core\Menu\LeftOut;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Core\Menu\Resolver;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\NotThere;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\LayoutResolver;
use Lantern\Core\Piece\Pale;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\Piece;
use Lantern\Core\Piece\PieceWords;
use Lantern\Core\Piece\ResolvedPiece;
use Lantern\Core\Place\Place;
use Lantern\Core\Shop\HeaderForm;
use Lantern\Core\Shop\HeaderShape;
use Lantern\Core\Shop\SettingWords;
use Lantern\Core\Visitor;
use Lantern\Interchange\Stored\EntryCodec;
use Lantern\Interchange\Stored\PieceCodec;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Frame\FittedHeader;
use Lantern\Reading\Frame\Frame;
use Lantern\Reading\Looks\LooksSets;
use Lantern\Reading\Outlines\MatchedLine;
use Lantern\Reading\Outlines\PlaceMatch;
use Lantern\Reading\Pieces\LaidOut;
use Lantern\Reading\Pieces\PictureReader;
use Lantern\Reading\Pieces\SignUps;
use Lantern\Reading\Pieces\SignUpTwice;
use Lantern\Workbench\Frame\FrameVersions;
use Lantern\Workbench\Menus\MenuLog;
use Lantern\Workbench\Menus\MenuRecord;
use Psr\Clock\ClockInterface;

/** Menus and the frame in the shapes of the API. */
final readonly class MenuViews
{
    public function __construct(
        private Copies $copies,
        private Frame $frame,
        private PlaceViews $places,
        private MenuLog $log,
        private PictureReader $pictures,
        private LooksSets $looksSets,
        private SignUps $signUps,
        private EntityManagerInterface $entities,
        private ClockInterface $clock,
        private FrameVersions $versions,
    ) {
    }

    /** @param string|null $made id of the menu that was just made */
    public function frame(?string $made = null): FrameView
    {
        $menus = $this->copies->workbench->menus;
        $settings = $this->copies->workbench->settings->all();
        $hung = $this->frame->kept($this->copies->workbench, Visitor::guest($this->clock->now()));
        $bays = $menus->bays();
        $columns = $menus->columns();
        $laidOut = $this->frame->keptColumns($this->copies->workbench, Visitor::guest($this->clock->now()));
        $doubles = [] === $columns ? [] : $this->signUps->twice();
        $names = [];
        foreach ($menus->names() as $id => $name) {
            $names[] = new MenuName($id, $name, $this->baysOf($id, $bays), 'menu');
        }
        foreach ($columns as $id => $name) {
            $names[] = new MenuName($id, $name, $this->baysOf($id, $bays), 'column');
        }
        $shape = HeaderShape::of($settings->values);
        $fit = FittedHeader::of(
            $settings,
            $hung['header']->menu->entries ?? [],
            null === ($hung['header']->bay->menuId ?? null)
                ? []
                : $this->copies->workbench->layouts->panelsIn($hung['header']->bay->menuId),
        );

        return new FrameView(
            $settings->name(),
            $settings->get('notice'),
            array_values(array_map(static fn (HungMenu $one): BayView => new BayView(
                $one->bay->id,
                $one->bay->name(),
                $one->bay->heading,
                $one->bay->menuId,
                isset($columns[$one->bay->menuId ?? ''])
                    ? self::drawn($laidOut[$one->bay->id] ?? null)
                    : array_map(
                        static fn (ResolvedEntry $entry): DrawnEntry => new DrawnEntry($entry->id, $entry->label, \count($entry->children)),
                        $one->menu->entries,
                    ),
                $one->bay->share,
                null === $one->bay->menuId ? null : (isset($columns[$one->bay->menuId]) ? 'column' : 'menu'),
                $one->bay->beside,
                $one->bay->fills,
                array_map(
                    static fn (SignUpTwice $twice): DoubleView => new DoubleView(
                        $twice->entryId,
                        $twice->menuId,
                        $twice->otherId,
                        $twice->version,
                        $twice->ownVersion,
                        $twice->words(),
                    ),
                    $doubles[$one->bay->menuId ?? ''] ?? [],
                ),
            ), $hung)),
            $names,
            HeaderWithoutMenu::chosen($settings->values)->value,
            new HeaderView(
                $shape->form->value,
                $shape->entries->value,
                $shape->mark->value,
                $shape->drawerBelow,
                $shape->takesOverBelow($fit->drawerBelow()),
                $shape->stays,
                $shape->fades,
                $shape->onClick ? 'click' : 'hover',
                $shape->tabletBelow,
                $shape->markDrawn,
                $shape->markOpen,
                $shape->secondBelow,
                $shape->wordmark?->picture,
                $settings->get(HeaderShape::WORDMARK_WORDS),
            ),
            $settings->get(SettingWords::LAST_LINE),
            $this->looks($settings->looks()),
            new FitView(
                $fit->needs,
                $fit->ever,
                $fit->widest,
                $fit->wraps,
                $fit->onADesk(),
                HeaderForm::Drawer === $shape->form ? '' : $fit->words($shape->drawerBelow),
            ),
            array_map(
                static fn (string $of, int $version): SeenVersion => new SeenVersion($of, $version),
                array_keys($versions = $this->versions->all()),
                $versions,
            ),
            $made,
        );
    }

    /** @return list<DrawnEntry> what is seen of a column, piece by piece */
    private static function drawn(?LaidOut $column): array
    {
        return array_map(
            static fn (ResolvedPiece $piece): DrawnEntry => new DrawnEntry(
                $piece->id,
                '' === $piece->label ? PieceWords::of($piece->piece) : $piece->label,
                \count($piece->links),
            ),
            $column->layout->pieces[0]->children ?? [],
        );
    }

    private function looks(Looks $looks): LooksView
    {
        return new LooksView(
            (object) $looks->values(),
            array_map(
                static fn (Typeface $one): TypefaceView => new TypefaceView($one->value, $one->family(), $one->words()),
                Typeface::cases(),
            ),
            array_map(
                static fn (TooPale $one): AdviceView => new AdviceView($one->words(), $one->setting, $one->offered?->hex()),
                $looks->tooPale(),
            ),
            array_map(
                static fn (LooksSet $set): LooksSetView => new LooksSetView(
                    $set->id,
                    $set->name,
                    (object) $set->looks->values(),
                    $set->ships,
                    $set->looks->equals($looks),
                ),
                $this->looksSets->all(),
            ),
        );
    }

    public function menu(string $id, Visitor $visitor): MenuView
    {
        $record = $this->entities->find(MenuRecord::class, $id) ?? throw NotThere::menu();
        $workbench = $this->copies->workbench;
        $tree = $workbench->menus->tree($id);
        $places = $workbench->places->byIds($tree->placeIds());
        $fit = null;
        if (null === $tree->shape) {
            $resolved = Resolver::resolve($tree, $places, $visitor, $workbench->fillings->candidates([$tree], $visitor->moment));
            [$without, $shown] = [$resolved->leftOut, $resolved->byId()];
        } else {
            $layout = LayoutResolver::resolve($tree, $workbench->layouts->supplies([$id => $tree], $visitor)[0], $visitor);
            [$without, $shown] = [$layout->leftOut, []];
            $panel = $layout->pieces[0] ?? null;
            $fit = 'panel' === $record->kind && null !== $panel ? PanelFit::of($panel, $workbench->settings->all()->looks()) : null;
        }
        $panels = null === $tree->shape ? array_fill_keys($workbench->layouts->panelsIn($id), true) : [];
        $leftOut = [];
        foreach ($without as $left) {
            $leftOut[$left->entry->id] = $left;
        }
        $alternatives = [];
        foreach ($this->log->alternatives($id) as $one) {
            $alternatives[$one->entryId][] = new AlternativeView(
                $one->id,
                $one->conflict()->words($tree->find($one->entryId)),
                $one->person,
            );
        }

        return new MenuView(
            $record->id,
            $record->name,
            $record->version,
            $record->kind,
            'page' === $record->kind ? $workbench->places->get($id)?->address->encoded() ?? '/' : '/',
            'panel' === $record->kind ? $workbench->menus->menuOf($id) : null,
            $this->baysOf($id, $workbench->menus->bays()),
            $this->entries($tree->entries, $places, $leftOut, $shown, $alternatives, $panels),
            $fit?->words() ?? '',
            null === $fit ? null : (int) round($fit->height),
            $tree->maxDepth(),
            $record->changedAt->format(\DATE_ATOM),
            $record->changedBy,
        );
    }

    /**
     * @param list<MatchedLine> $lines
     */
    public function outline(array $lines): OutlineView
    {
        $places = $this->copies->workbench->places->byIds(array_values(array_filter(array_map(
            static fn (MatchedLine $line): ?string => $line->entry?->target instanceof PlaceTarget ? $line->entry->target->placeId : null,
            $lines,
        ))));

        return new OutlineView(array_map(function (MatchedLine $line) use ($places): OutlineLineView {
            $place = $line->entry?->target instanceof PlaceTarget ? $places[$line->entry->target->placeId] ?? null : null;

            return new OutlineLineView(
                $line->line->number,
                $line->level,
                $line->line->label,
                $line->line->lead,
                null === $line->entry ? null : (object) EntryCodec::encode($line->entry),
                null === $line->panel ? null : (object) EntryCodec::encode($line->panel),
                array_map(
                    fn (PlaceMatch $match): PlaceMatchView => new PlaceMatchView(
                        $this->places->brief($match->place),
                        $match->sureness->value,
                        $match->sureness->words(),
                    ),
                    $line->matches,
                ),
                null === $place ? null : $this->places->brief($place),
                $line->problem,
            );
        }, $lines));
    }

    /**
     * @param list<Entry>                          $entries
     * @param array<string, Place>                 $places
     * @param array<string, LeftOut>               $leftOut      by entry id
     * @param array<string, ResolvedEntry>         $resolved     by entry id
     * @param array<string, list<AlternativeView>> $alternatives by entry id
     * @param array<string, true>                  $panels       those that open one, by entry id
     *
     * @return list<EntryView>
     */
    private function entries(
        array $entries,
        array $places,
        array $leftOut,
        array $resolved,
        array $alternatives,
        array $panels,
        ?Panel $panel = null,
    ): array {
        return array_map(function (Entry $entry) use ($places, $leftOut, $resolved, $alternatives, $panels, $panel): EntryView {
            $target = $entry->target;
            $place = $target instanceof PlaceTarget ? $places[$target->placeId] ?? null : null;
            $left = $leftOut[$entry->id] ?? null;

            return new EntryView(
                $entry->id,
                $entry->label
                    ?? $place->title
                    ?? ($entry->content instanceof Piece ? PieceWords::of($entry->content) : 'A place that is no longer there'),
                $entry->label,
                TargetView::of($target, $places),
                null === $place ? null : $this->places->brief($place),
                $entry->enabled,
                $entry->audience->value,
                $entry->opening->from?->format(\DATE_ATOM),
                $entry->opening->until?->format(\DATE_ATOM),
                $entry->newTab,
                $entry->note,
                null === $entry->filling ? null : $this->filling($entry->filling, $places, $resolved[$entry->id] ?? null),
                $entry->content instanceof Piece ? (object) PieceCodec::encode($entry->content) : null,
                $this->advice($entry->content, $panel),
                isset($panels[$entry->id]),
                $alternatives[$entry->id] ?? [],
                $left?->reason->words(),
                true === $left?->asHeading,
                $this->entries(
                    $entry->children,
                    $places,
                    $leftOut,
                    $resolved,
                    $alternatives,
                    $panels,
                    $entry->content instanceof Panel ? $entry->content : $panel,
                ),
            );
        }, $entries);
    }

    /** @return list<AdviceView> */
    private function advice(?Content $piece, ?Panel $panel): array
    {
        if (!$piece instanceof Band && !$piece instanceof Panel) {
            return [];
        }
        $in = $piece instanceof Band ? $panel : null;
        $behind = Pale::pictureBehind($piece, $in);

        return array_map(
            static fn (Pale $one): AdviceView => new AdviceView($one->words(), $one->name, $one->offered?->hex()),
            Pale::in(
                $piece,
                $in,
                null === $behind ? [] : $this->pictures->regions($behind),
                $this->copies->workbench->settings->all()->looks(),
            ),
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
            array_map(
                $this->places->brief(...),
                array_values(array_filter(array_map(static fn (string $id): ?Place => $places[$id] ?? null, $filling->leftOut))),
            ),
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
        return array_map(
            fn (ResolvedEntry $entry): FilledView => new FilledView(
                $entry->id,
                $entry->placeId ?? '',
                $entry->label,
                $entry->href ?? '',
                $this->filled($entry->children),
            ),
            $entries,
        );
    }

    /**
     * @param list<Bay> $bays
     *
     * @return list<string> in words
     */
    private function baysOf(string $menuId, array $bays): array
    {
        return array_values(array_map(
            static fn (Bay $bay): string => $bay->name(),
            array_filter($bays, static fn (Bay $bay): bool => $bay->menuId === $menuId),
        ));
    }
}
