<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Menu\Move;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Refused;
use Lantern\Persistence\Entity\MenuRecord;
use Lantern\Persistence\Journal\MenuStep;
use Lantern\Persistence\Journal\Person;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\UuidV7;

/** Makes moves in menus of the workbench, and takes them back. Each is one transaction. */
final readonly class MenuEditor
{
    public function __construct(
        private EntityManagerInterface $entities,
        private UnitOfWork $work,
        private Copies $copies,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param int $version of the menu that the move was thought out for
     *
     * @throws Refused|Stale|NotThere
     */
    public function move(string $menuId, int $version, Move $move, Person $by): MenuRecord
    {
        return $this->work->run(function () use ($menuId, $version, $move, $by): MenuRecord {
            $menu = $this->locked($menuId, $version);
            $inverse = $this->apply($menu, $move, $by);
            $this->entities->createQuery('DELETE '.MenuStep::class.' s WHERE s.menuId = :menu AND s.personId = :person AND s.undone = true')
                ->execute(['menu' => $menuId, 'person' => $by->id]);
            $this->entities->persist(new MenuStep((new UuidV7())->toRfc4122(), $menuId, $by->id, MoveCodec::encode($move), MoveCodec::encode($inverse)));

            return $menu;
        });
    }

    /** @throws Refused|Stale|NotThere */
    public function undo(string $menuId, int $version, Person $by): MenuRecord
    {
        return $this->again($menuId, $version, $by, undone: false, order: 'DESC');
    }

    /** @throws Refused|Stale|NotThere */
    public function redo(string $menuId, int $version, Person $by): MenuRecord
    {
        return $this->again($menuId, $version, $by, undone: true, order: 'ASC');
    }

    /** @return array{undo: bool, redo: bool} whether this person can undo, or redo, something in the menu */
    public function canStep(string $menuId, Person $by): array
    {
        $states = $this->entities->createQuery('SELECT DISTINCT s.undone FROM '.MenuStep::class.' s WHERE s.menuId = :menu AND s.personId = :person')
            ->setParameters(['menu' => $menuId, 'person' => $by->id])->getSingleColumnResult();

        return ['undo' => \in_array(false, $states, true), 'redo' => \in_array(true, $states, true)];
    }

    private function again(string $menuId, int $version, Person $by, bool $undone, string $order): MenuRecord
    {
        return $this->work->run(function () use ($menuId, $version, $by, $undone, $order): MenuRecord {
            $menu = $this->locked($menuId, $version);
            $step = $this->entities->getRepository(MenuStep::class)->findOneBy(['menuId' => $menuId, 'personId' => $by->id, 'undone' => $undone], ['id' => $order]);
            if (null === $step) {
                throw new Refused('menu', $undone ? 'There is nothing to do again.' : 'There is nothing to undo.');
            }
            $this->apply($menu, MoveCodec::decode(Fields::of($undone ? $step->move : $step->inverse)), $by);
            $step->undone = !$undone;

            return $menu;
        });
    }

    private function locked(string $menuId, int $version): MenuRecord
    {
        $menu = $this->entities->find(MenuRecord::class, $menuId, LockMode::PESSIMISTIC_WRITE) ?? throw NotThere::menu();
        $this->entities->refresh($menu);
        if ($menu->version !== $version) {
            throw new Stale($menu->version);
        }

        return $menu;
    }

    private function apply(MenuRecord $menu, Move $move, Person $by): Move
    {
        $before = $this->copies->workbench->menus->tree($menu->id);
        $after = $move->apply($before);
        $this->refuseUnknownPlaces($before, $after);
        $this->write($menu->id, $before, $after);
        $menu->changedAt = $this->clock->now();
        $menu->changedBy = $by->name;

        return $move->inverse($before);
    }

    private function refuseUnknownPlaces(Tree $before, Tree $after): void
    {
        $new = array_values(array_diff($this->placeIds($after), $this->placeIds($before)));
        if (\count($new) !== \count($this->copies->workbench->places->byIds($new))) {
            throw new Refused('target', 'The place that this should lead to is no longer there. Choose another one.');
        }
    }

    /** @return list<string> */
    private function placeIds(Tree $tree): array
    {
        $ids = [];
        foreach ($tree->all() as $entry) {
            if ($entry->target instanceof PlaceTarget) {
                $ids[$entry->target->placeId] = true;
            }
        }

        return array_keys($ids);
    }

    /** Only the rows that differ, in two statements, however large the menu. */
    private function write(string $menuId, Tree $before, Tree $after): void
    {
        $old = EntryRows::fromTree($menuId, $before);
        $new = EntryRows::fromTree($menuId, $after);
        $gone = array_keys(array_diff_key($old, $new));
        $changed = array_filter($new, static fn (array $row, string $id): bool => ($old[$id] ?? null) !== $row, \ARRAY_FILTER_USE_BOTH);
        $connection = $this->entities->getConnection();
        if ([] !== $gone) {
            $connection->executeStatement('DELETE FROM entry WHERE id IN (?)', [$gone], [ArrayParameterType::STRING]);
        }
        if ([] !== $changed) {
            $this->upsert($connection, array_values($changed));
        }
    }

    /** @param non-empty-list<array<string, mixed>> $rows */
    private function upsert(Connection $connection, array $rows): void
    {
        $set = implode(', ', array_map(static fn (string $column): string => "$column = excluded.$column", array_keys($rows[0])));
        $connection->executeStatement(
            "INSERT INTO entry SELECT * FROM jsonb_populate_recordset(NULL::entry, CAST(? AS jsonb)) ON CONFLICT (id) DO UPDATE SET $set",
            [json_encode($rows, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE)],
        );
    }
}
