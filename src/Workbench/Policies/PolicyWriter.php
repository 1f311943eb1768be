<?php

declare(strict_types=1);

namespace Lantern\Workbench\Policies;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Insert;
use Lantern\Core\Menu\Move;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Position;
use Lantern\Core\Menu\Together;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\PlaceParent;
use Lantern\Core\Policy\StartingText;
use Lantern\Core\Refused;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Frame\Frame;
use Lantern\Reading\Sql\Row;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\MenuMoves;
use Lantern\Workbench\Edits\Subject;
use Lantern\Workbench\Frame\BayRecord;
use Lantern\Workbench\Menus\MenuRecord;
use Lantern\Workbench\Places\PlaceMaker;
use Lantern\Workbench\Words\WordsCleaner;
use Lantern\Workbench\Words\WordsRecord;
use Symfony\Component\Uid\UuidV7;

/** Writes policies from their starting texts and puts them in the footer, as one step. */
final readonly class PolicyWriter
{
    public function __construct(
        private EntityManagerInterface $entities,
        private PlaceMaker $maker,
        private EditLog $edits,
        private WordsCleaner $cleaner,
        private Copies $copies,
    ) {
    }

    /** @return array<string, string> ids of the policies that were made from a starting text, by its name */
    public function written(): array
    {
        $written = [];
        foreach ($this->entities->getConnection()->fetchAllAssociative(<<<'SQL'
            SELECT purpose, id FROM place WHERE kind = 'policy' AND purpose <> '' ORDER BY id DESC
            SQL) as $columns) {
            $row = new Row($columns);
            $written[$row->text('purpose')] = $row->text('id');
        }

        return $written;
    }

    /** @return list<string> ids of the places that some menu in the footer leads to */
    public function inTheFooter(): array
    {
        return array_values(array_filter(
            $this->entities->getConnection()->fetchFirstColumn(
                'SELECT DISTINCT e.place_id FROM bay b JOIN entry e ON e.menu_id = b.menu_id WHERE e.place_id IS NOT NULL AND '
                    .Frame::AT_THE_FOOT,
            ),
            \is_string(...),
        ));
    }

    /** The bay where policies stand already; else the first that is empty; else the last. */
    public function suggestedBay(): string
    {
        $bay = $this->entities->getConnection()->fetchOne(<<<'SQL'
            SELECT b.id FROM bay b WHERE b.id LIKE 'footer-%'
                AND NOT EXISTS (SELECT FROM menu m WHERE m.id = b.menu_id AND m.kind = 'column')
            ORDER BY (SELECT count(*) FROM entry e JOIN place p ON p.id = e.place_id WHERE e.menu_id = b.menu_id
                AND p.kind = 'policy') DESC, b.menu_id IS NOT NULL, b.position LIMIT 1
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
    public function write(array $texts, ?string $bayId, bool $listed, Actor $by): Edit
    {
        return $this->edits->run($by, Subject::Places, function (MenuMoves $moves) use ($texts, $bayId, $listed, $by): string {
            $written = $this->written();
            $made = [];
            $names = [];
            foreach ($texts as $text) {
                if (!isset($written[$text->value])) {
                    $place = $this->maker->add(PlaceKind::Policy, $text->title(), new PlaceParent(null), $by);
                    $place->purpose = $text->value;
                    $place->listed = $listed;
                    $this->entities->persist(new WordsRecord($place->id, $this->cleaner->clean($text->html())->words->html));
                    $written[$text->value] = $made[] = $place->id;
                    $names[] = $text->title();
                }
            }
            $this->entities->flush();
            $linked = null === $bayId
                ? []
                : array_values(array_diff(
                    array_map(static fn (StartingText $text): string => $written[$text->value], $texts),
                    $this->inTheFooter(),
                ));
            if ([] === $made && [] === $linked) {
                throw new Refused('texts', 'All of these are written and stand in the footer already.');
            }
            if (null !== $bayId && [] !== $linked) {
                $this->link($bayId, $linked, $moves, $by);
            }
            $bay = null === $bayId ? '' : str_replace('footer-', 'footer column ', $bayId);

            return match (true) {
                [] === $made => \sprintf('%d %s put in %s.', \count($linked), 1 === \count($linked) ? 'policy was' : 'policies were', $bay),
                [] === $linked => \sprintf('%s: written.', implode(', ', $names)),
                default => \sprintf('%s: written, and put in %s.', implode(', ', $names), $bay),
            };
        });
    }

    /**
     * Leads to policies from the column of the footer where policies stand, as part of another edit.
     *
     * @param list<string> $placeIds
     *
     * @throws Refused
     */
    public function putInFooter(array $placeIds, MenuMoves $moves, Actor $by): void
    {
        $this->link($this->suggestedBay(), $placeIds, $moves, $by);
    }

    /** @param list<string> $placeIds */
    private function link(string $bayId, array $placeIds, MenuMoves $moves, Actor $by): void
    {
        $bay = $this->entities->find(BayRecord::class, $bayId, LockMode::PESSIMISTIC_WRITE)
            ?? throw new Refused('footer', 'There is no such place in the frame.');
        if (!str_starts_with($bayId, 'footer-')) {
            throw new Refused('footer', 'Policies stand in the footer. Choose one of its columns.');
        }
        if (null !== $bay->menuId && isset($this->copies->workbench->menus->columns()[$bay->menuId])) {
            throw new Refused('footer', 'This column of the footer is laid out in pieces. Choose one with a menu, or a free one.');
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
        $moves->make($bay->menuId, new Together(array_map(static function (string $placeId) use (&$index): Move {
            return new Insert(new Entry((new UuidV7())->toRfc4122(), new PlaceTarget($placeId)), new Position(null, $index++));
        }, $placeIds)));
    }
}
