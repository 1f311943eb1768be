<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Insert;
use Lantern\Core\Menu\Move;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Position;
use Lantern\Core\Menu\Remove;
use Lantern\Core\Menu\Together;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\Standing;
use Lantern\Core\Policy\StartingText;
use Lantern\Core\Refused;
use Lantern\Persistence\Entity\BayRecord;
use Lantern\Persistence\Entity\MenuRecord;
use Lantern\Persistence\Entity\PlaceRecord;
use Lantern\Persistence\Entity\WordsRecord;
use Lantern\Persistence\Journal\Person;
use Lantern\Persistence\Journal\PlaceStep;
use Lantern\Persistence\Words\WordsCleaner;
use Symfony\Component\Uid\UuidV7;

/** Writes policies from their starting texts and puts them in the footer, as one step. */
final readonly class PolicyWriter
{
    public function __construct(
        private EntityManagerInterface $entities,
        private UnitOfWork $work,
        private PlaceMaker $maker,
        private MenuEditor $menus,
        private ManyPlaces $steps,
        private WordsCleaner $cleaner,
        private Copies $copies,
    ) {
    }

    /** @return array<string, string> ids of the policies that were made from a starting text, by its name */
    public function written(): array
    {
        $written = [];
        foreach ($this->entities->getConnection()->fetchAllAssociative("SELECT purpose, id FROM place WHERE kind = 'policy' AND purpose <> '' ORDER BY id DESC") as $columns) {
            $row = new Row($columns);
            $written[$row->text('purpose')] = $row->text('id');
        }

        return $written;
    }

    /** @return list<string> ids of the places that some menu in the footer leads to */
    public function inTheFooter(): array
    {
        return array_values(array_filter($this->entities->getConnection()->fetchFirstColumn("SELECT DISTINCT e.place_id FROM bay b JOIN entry e ON e.menu_id = b.menu_id WHERE b.id LIKE 'footer-%' AND e.place_id IS NOT NULL"), \is_string(...)));
    }

    /** The bay where policies stand already; else the first that is empty; else the last. */
    public function suggestedBay(): string
    {
        $bay = $this->entities->getConnection()->fetchOne(<<<'SQL'
            SELECT b.id FROM bay b WHERE b.id LIKE 'footer-%'
            ORDER BY (SELECT count(*) FROM entry e JOIN place p ON p.id = e.place_id WHERE e.menu_id = b.menu_id AND p.kind = 'policy') DESC, b.menu_id IS NOT NULL, b.position LIMIT 1
            SQL);

        return \is_string($bay) ? $bay : throw new NotThere('The frame of this shop has no footer.');
    }

    /**
     * Writes those of the texts that are missing, and leads to them from the footer where nothing does.
     *
     * @param list<StartingText> $texts
     * @param string|null        $bayId  null: in no menu
     * @param bool               $listed whether search engines may list them
     *
     * @throws Refused
     */
    public function write(array $texts, ?string $bayId, bool $listed, Person $by): PlaceStep
    {
        return $this->work->run(function () use ($texts, $bayId, $listed, $by): PlaceStep {
            $written = $this->written();
            $made = [];
            $names = [];
            foreach ($texts as $text) {
                if (!isset($written[$text->value])) {
                    $place = $this->maker->add(PlaceKind::Policy, $text->title(), new Standing(null), $by);
                    $place->purpose = $text->value;
                    $place->listed = $listed;
                    $this->entities->persist(new WordsRecord($place->id, $this->cleaner->clean($text->html())->words->html));
                    $written[$text->value] = $made[] = $place->id;
                    $names[] = $text->title();
                }
            }
            $this->entities->flush();
            $linked = null === $bayId ? [] : array_values(array_diff(array_map(static fn (StartingText $text): string => $written[$text->value], $texts), $this->inTheFooter()));
            if ([] === $made && [] === $linked) {
                throw new Refused('texts', 'All of these are written and stand in the footer already.');
            }
            $hangsNew = null !== $bayId && null === $this->entities->find(BayRecord::class, $bayId)?->menuId;
            $menuId = null === $bayId || [] === $linked ? null : $this->link($bayId, $linked, $by);
            $bay = null === $bayId ? '' : str_replace('footer-', 'footer column ', $bayId);
            $sentence = match (true) {
                [] === $made => \sprintf('%d %s put in %s.', \count($linked), 1 === \count($linked) ? 'policy was' : 'policies were', $bay),
                null === $menuId => \sprintf('%s: written.', implode(', ', $names)),
                default => \sprintf('%s: written, and put in %s.', implode(', ', $names), $bay),
            };

            return $this->steps->note($by, $sentence, ['made' => $made, 'linked' => $linked, 'menu' => $menuId, 'bay' => $hangsNew && null !== $menuId ? $bayId : null]);
        });
    }

    /**
     * Takes the whole step back, as long as nobody wrote in one of the policies or published it.
     *
     * @throws Refused|NotThere
     */
    public function undo(PlaceStep $step, Person $by): PlaceStep
    {
        return $this->work->run(function () use ($step, $by): PlaceStep {
            $before = Fields::of($step->before);
            $made = $before->textsOr('made', []);
            if ([] !== $this->copies->live->places->byIds($made)) {
                throw new Refused('step', 'These policies are published, so they stay. Close the ones that should go.');
            }
            foreach ($made as $id) {
                // One version for its making, one for its purpose and listing.
                if (($this->entities->find(PlaceRecord::class, $id)->version ?? 99) > 2) {
                    throw new Refused('step', 'Somebody wrote in one of these policies since, so they stay. Remove the ones that should go.');
                }
            }
            $menuId = $before->textOrNull('menu');
            if (null !== $menuId) {
                $this->unlink($menuId, $before->textsOr('linked', []), $by);
            }
            $bayId = $before->textOrNull('bay');
            if (null !== $bayId && null !== $menuId) {
                $this->takeDown($bayId, $menuId);
            }
            $this->maker->takeAway($made);
            $step->undone = true;

            return $step;
        });
    }

    /** @param list<string> $placeIds */
    private function link(string $bayId, array $placeIds, Person $by): string
    {
        $bay = $this->entities->find(BayRecord::class, $bayId) ?? throw new Refused('footer', 'There is no such place in the frame.');
        if (!str_starts_with($bayId, 'footer-')) {
            throw new Refused('footer', 'Policies stand in the footer. Choose one of its columns.');
        }
        if (null === $bay->menuId) {
            $menu = new MenuRecord((new UuidV7())->toRfc4122(), 'Policies', $this->copies->workbench->menus->lastPosition() + 1);
            $menu->changedBy = $by->name;
            $this->entities->persist($menu);
            $bay->menuId = $menu->id;
            $bay->heading = '' === $bay->heading ? 'Policies' : $bay->heading;
            $this->entities->flush();
        }
        $index = \count($this->copies->workbench->menus->tree($bay->menuId)->entries);
        $this->move($bay->menuId, array_map(static function (string $placeId) use (&$index): Move {
            return new Insert(new Entry((new UuidV7())->toRfc4122(), new PlaceTarget($placeId)), new Position(null, $index++));
        }, $placeIds), $by);

        return $bay->menuId;
    }

    /** @param list<string> $placeIds */
    private function unlink(string $menuId, array $placeIds, Person $by): void
    {
        $moves = [];
        foreach ($this->copies->workbench->menus->tree($menuId)->all() as $entry) {
            if ($entry->target instanceof PlaceTarget && \in_array($entry->target->placeId, $placeIds, true)) {
                $moves[] = new Remove($entry->id);
            }
        }
        if ([] !== $moves) {
            $this->move($menuId, $moves, $by);
        }
    }

    /** The menu that was hung for them goes as it came, unless somebody has put something else into it. */
    private function takeDown(string $bayId, string $menuId): void
    {
        $bay = $this->entities->find(BayRecord::class, $bayId);
        $menu = $this->entities->find(MenuRecord::class, $menuId);
        if (null !== $bay && null !== $menu && $bay->menuId === $menuId && [] === $this->copies->workbench->menus->tree($menuId)->entries) {
            $bay->menuId = null;
            $bay->heading = '';
            $this->entities->remove($menu);
        }
    }

    /** @param list<Move> $moves */
    private function move(string $menuId, array $moves, Person $by): void
    {
        $menu = $this->entities->find(MenuRecord::class, $menuId) ?? throw NotThere::menu();
        $this->menus->move($menuId, $menu->version, new Together($moves), $by);
    }
}
