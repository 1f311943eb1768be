<?php

declare(strict_types=1);

namespace Lantern\Admin;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Admin\View\BayView;
use Lantern\Admin\View\DrawnEntry;
use Lantern\Admin\View\EntryView;
use Lantern\Admin\View\FrameView;
use Lantern\Admin\View\MenuName;
use Lantern\Admin\View\MenuView;
use Lantern\Admin\View\TargetView;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\LeftOut;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Core\Menu\Resolver;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Place\Place;
use Lantern\Core\Visitor;
use Lantern\Persistence\Bay;
use Lantern\Persistence\Copies;
use Lantern\Persistence\Entity\MenuRecord;
use Lantern\Persistence\Frame;
use Lantern\Persistence\HungMenu;
use Lantern\Persistence\Journal\Person;
use Lantern\Persistence\MenuEditor;
use Lantern\Persistence\MoveCodec;
use Lantern\Persistence\NotThere;
use Psr\Clock\ClockInterface;

/** Menus and the frame in the shapes of the API. */
final readonly class MenuViews
{
    public function __construct(
        private Copies $copies,
        private Frame $frame,
        private PlaceViews $places,
        private MenuEditor $editor,
        private EntityManagerInterface $entities,
        private ClockInterface $clock,
    ) {
    }

    public function frame(): FrameView
    {
        $menus = $this->copies->workbench->menus;
        $settings = $this->copies->workbench->shop->settings();
        $hung = $this->frame->of($this->copies->workbench, Visitor::guest($this->clock->now()));
        $bays = $menus->bays();
        $names = [];
        foreach ($menus->names() as $id => $name) {
            $names[] = new MenuName($id, $name, $this->baysOf($id, $bays));
        }

        return new FrameView(
            $settings['name'] ?? '',
            $settings['notice'] ?? '',
            array_values(array_map(static fn (HungMenu $one): BayView => new BayView(
                $one->bay->id,
                self::bayWords($one->bay->id),
                $one->bay->heading,
                $one->bay->menuId,
                array_map(static fn (ResolvedEntry $entry): DrawnEntry => new DrawnEntry($entry->id, $entry->label, \count($entry->children)), $one->menu->entries),
            ), $hung)),
            $names,
        );
    }

    public function menu(string $id, Person $person, Visitor $visitor): MenuView
    {
        $record = $this->entities->find(MenuRecord::class, $id) ?? throw NotThere::menu();
        $this->entities->refresh($record);
        $tree = $this->copies->workbench->menus->tree($id);
        $places = $this->copies->workbench->places->referredToByMenus([$id]);
        $leftOut = [];
        foreach (Resolver::resolve($tree, $places, $visitor)->leftOut as $left) {
            $leftOut[$left->entry->id] = $left;
        }
        $can = $this->editor->canStep($id, $person);

        return new MenuView(
            $record->id,
            $record->name,
            $record->version,
            $this->baysOf($id, $this->copies->workbench->menus->bays()),
            $this->entries($tree->entries, $places, $leftOut),
            Tree::MAX_DEPTH,
            $can['undo'],
            $can['redo'],
            $record->changedAt->format(\DATE_ATOM),
            $record->changedBy,
        );
    }

    public static function bayWords(string $bay): string
    {
        return 'header' === $bay ? 'Header' : ucfirst(str_replace('footer-', 'footer column ', $bay));
    }

    /**
     * @param list<Entry>            $entries
     * @param array<string, Place>   $places
     * @param array<string, LeftOut> $leftOut by entry id
     *
     * @return list<EntryView>
     */
    private function entries(array $entries, array $places, array $leftOut): array
    {
        return array_map(function (Entry $entry) use ($places, $leftOut): EntryView {
            $place = $entry->target instanceof PlaceTarget ? $places[$entry->target->placeId] ?? null : null;
            $left = $leftOut[$entry->id] ?? null;
            /** @var array{kind: string, placeId?: string, part?: string, uri?: string} $target */
            $target = MoveCodec::targetShape($entry->target);

            return new EntryView(
                $entry->id,
                $entry->label ?? $place->title ?? 'A place that is no longer there',
                $entry->label,
                new TargetView($target['kind'], $target['placeId'] ?? null, $target['part'] ?? '', $target['uri'] ?? ''),
                null === $place ? null : $this->places->brief($place),
                $entry->enabled,
                $entry->audience->value,
                $entry->opening->from?->format(\DATE_ATOM),
                $entry->opening->until?->format(\DATE_ATOM),
                $entry->newTab,
                $entry->note,
                $left?->reason->words(),
                true === $left?->asHeading,
                $this->entries($entry->children, $places, $leftOut),
            );
        }, $entries);
    }

    /**
     * @param list<Bay> $bays
     *
     * @return list<string> in words
     */
    private function baysOf(string $menuId, array $bays): array
    {
        return array_values(array_map(
            static fn (Bay $bay): string => self::bayWords($bay->id),
            array_filter($bays, static fn (Bay $bay): bool => $bay->menuId === $menuId),
        ));
    }
}
