<?php

declare(strict_types=1);

namespace Lantern\Workbench\Menus;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Menu\Difference;
use Lantern\Core\Menu\Merge;
use Lantern\Core\Menu\Move;
use Lantern\Core\Menu\Rewrite;
use Lantern\Core\Menu\Tree;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\Picture;
use Lantern\Core\Piece\Text;
use Lantern\Core\Refused;
use Lantern\Core\Stale;
use Lantern\Interchange\Stored\Fields;
use Lantern\Interchange\Stored\MoveCodec;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Menus\EntryRows;
use Lantern\Workbench\Edits\MenuHistory;
use Lantern\Workbench\Edits\MenuReversal;
use Lantern\Workbench\Edits\RedoStack;
use Lantern\Workbench\Edits\UnitOfWork;
use Lantern\Workbench\Places\FileStore;
use Lantern\Workbench\Words\WordsCleaner;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\UuidV7;

/** Makes moves in menus of the workbench, and takes them back. Each is one transaction. */
final readonly class MenuEditor implements MenuHistory
{
    public function __construct(
        private EntityManagerInterface $entities,
        private UnitOfWork $work,
        private Copies $copies,
        private MenuLog $log,
        private RedoStack $undone,
        private WordsCleaner $cleaner,
        private ClockInterface $clock,
        private FileStore $files,
    ) {
    }

    /**
     * Makes a move. Where others changed the menu since the version that it was thought out for, the
     * two are merged; what both wanted of one entry is kept as an alternative.
     *
     * @param int $version of the menu that the move was thought out for
     *
     * @throws Refused|NotThere
     * @throws Stale            where that version is too long ago to be merged with
     */
    public function move(string $menuId, int $version, Move $move, Actor $by): MenuRecord
    {
        return $this->work->run(fn (): MenuRecord => $this->step($this->locked($menuId), $version, $move, $by));
    }

    public function undoStep(string $menuId, Actor $by): void
    {
        $this->undo($menuId, $by);
    }

    public function redoStep(string $menuId, Actor $by): void
    {
        $this->redo($menuId, $by);
    }

    /** @throws Refused|NotThere */
    public function undo(string $menuId, Actor $by): MenuRecord
    {
        return $this->again($menuId, $by, undone: false, order: 'DESC');
    }

    /** @throws Refused|NotThere */
    public function redo(string $menuId, Actor $by): MenuRecord
    {
        return $this->again($menuId, $by, undone: true, order: 'ASC');
    }

    /**
     * Settles what two people wanted of one entry.
     *
     * @param bool $use whether the other wish is to be made true; else what stands is kept
     *
     * @throws Refused|NotThere
     */
    public function choose(string $menuId, string $alternativeId, bool $use, Actor $by): MenuRecord
    {
        return $this->work->run(function () use ($menuId, $alternativeId, $use, $by): MenuRecord {
            $menu = $this->locked($menuId);
            $alternative = $this->log->alternative($menuId, $alternativeId)
                ?? throw new Refused('alternative', 'Somebody has chosen already.');
            $this->log->forget($alternativeId);

            return $use ? $this->step($menu, $menu->version, $alternative->move, $by) : $menu;
        });
    }

    public function applyAsPartOfEdit(string $menuId, Move $move, Actor $by): MenuReversal
    {
        return $this->work->run(function () use ($menuId, $move, $by): MenuReversal {
            $menu = $this->locked($menuId);
            $made = $this->apply($menu, $menu->version, $move, $by);

            return new MenuReversal($made->version, $made->inverse);
        });
    }

    public function revertPartOfEdit(string $menuId, MenuReversal $back, Actor $by): MenuReversal
    {
        return $this->work->run(function () use ($menuId, $back, $by): MenuReversal {
            $menu = $this->locked($menuId);
            $made = $this->apply(
                $menu,
                $this->log->reaches($menuId, $back->version, $menu->version) ? $back->version : $menu->version,
                $back->move,
                $by,
            );

            return new MenuReversal($made->version, $made->inverse);
        });
    }

    private function again(string $menuId, Actor $by, bool $undone, string $order): MenuRecord
    {
        return $this->work->run(function () use ($menuId, $by, $undone, $order): MenuRecord {
            $menu = $this->locked($menuId);
            $step = $this->entities->getRepository(MenuStep::class)->findOneBy(
                ['menuId' => $menuId, 'personId' => $by->personId(), 'undone' => $undone],
                ['id' => $order],
            );
            if (null === $step) {
                throw new Refused('menu', $undone ? 'There is nothing to do again.' : 'There is nothing to undo.');
            }
            $version = $this->log->reaches($menuId, $step->version, $menu->version) ? $step->version : $menu->version;
            $made = $this->apply($menu, $version, MoveCodec::decode(Fields::of($undone ? $step->move : $step->inverse)), $by);
            // What leads back from here may differ from what led here, where others worked in between.
            $step->move = MoveCodec::encode($undone ? $made->move : $made->inverse);
            $step->inverse = MoveCodec::encode($undone ? $made->inverse : $made->move);
            $step->undone = !$undone;
            $step->version = $made->version;
            $this->entities->flush();
            // To the microsecond: steps are made again in the order in which they were taken back.
            $this->entities->getConnection()->executeStatement(<<<'SQL'
                UPDATE journal.step SET undone_at = CASE WHEN undone THEN clock_timestamp() END WHERE id = ?
                SQL, [$step->id]);

            return $menu;
        });
    }

    private function step(MenuRecord $menu, int $version, Move $move, Actor $by): MenuRecord
    {
        $made = $this->apply($menu, $version, $move, $by);
        $this->undone->forget($by->personId());
        $this->entities->persist(new MenuStep(
            (new UuidV7())->toRfc4122(),
            $menu->id,
            $by->personId(),
            MoveCodec::encode($made->move),
            MoveCodec::encode($made->inverse),
            $made->version,
        ));

        return $menu;
    }

    private function locked(string $menuId): MenuRecord
    {
        // Doctrine reads a row anew when it locks it.
        return $this->entities->find(MenuRecord::class, $menuId, LockMode::PESSIMISTIC_WRITE) ?? throw NotThere::menu();
    }

    private function apply(MenuRecord $menu, int $version, Move $move, Actor $by): MadeMove
    {
        $before = $this->copies->workbench->menus->tree($menu->id);
        if ($version !== $menu->version) {
            $base = $this->log->treeAt($menu->id, $version, $menu->version, $before) ?? throw new Stale($menu->version);
            if (!$base->equals($before)) {
                $merged = Merge::of($base, $before, $move->apply($base));
                $move = Difference::between($before, $merged->tree);
                $this->log->keep($menu->id, $merged->conflicts, $by->name, $menu->changedBy);
            }
        }
        $after = $move->apply($before);
        $cleaned = $this->cleaned($before, $after);
        if (null !== $cleaned) {
            [$after, $move] = [$cleaned, Difference::between($before, $cleaned)];
        }
        $this->refuseUnknownPlaces($before, $after);
        $this->refuseUnknownPictures($before, $after);
        $this->write($menu->id, $before, $after);
        $menu->changedAt = $this->clock->now();
        $menu->changedBy = $by->name;
        $made = new MadeMove($menu->version + 1, $move, $move->inverse($before));
        $this->log->note($menu->id, $made->version, MoveCodec::encode($made->inverse));

        return $made;
    }

    /** With the words of its pieces as they may be stored; null where they are. */
    private function cleaned(Tree $before, Tree $after): ?Tree
    {
        if (null === $after->shape) {
            return null;
        }
        $cleaned = null;
        foreach ($after->all() as $entry) {
            $text = $entry->content;
            $was = $text instanceof Text ? $before->find($entry->id)?->content : null;
            if (!$text instanceof Text || $was instanceof Text && $was->html === $text->html) {
                continue;
            }
            $html = $this->cleaner->clean($text->html)->words->html;
            if ($html !== $text->html) {
                $cleaned = (new Rewrite($entry->withContent($text->withHtml($html))))->apply($cleaned ?? $after);
            }
        }

        return $cleaned;
    }

    private function refuseUnknownPlaces(Tree $before, Tree $after): void
    {
        $new = array_values(array_diff($after->placeIds(), $before->placeIds()));
        if (\count($new) !== \count($this->copies->workbench->places->byIds($new))) {
            throw new Refused('target', 'The place that this should lead to is no longer there. Choose another one.');
        }
    }

    private function refuseUnknownPictures(Tree $before, Tree $after): void
    {
        foreach (array_diff(self::pictures($after), self::pictures($before)) as $name) {
            $this->files->knownPicture($name);
        }
    }

    /** @return list<string> the pictures that stand in it or behind it */
    private static function pictures(Tree $tree): array
    {
        $names = [];
        foreach ($tree->all() as $entry) {
            $piece = $entry->content;
            $names[] = match (true) {
                $piece instanceof Picture => $piece->name,
                $piece instanceof Band, $piece instanceof Panel => $piece->ground->picture ?? '',
                default => '',
            };
        }

        return array_values(array_filter(array_unique($names), static fn (string $name): bool => '' !== $name));
    }

    /** Only the rows that differ, in two statements, however large the menu. */
    private function write(string $menuId, Tree $before, Tree $after): void
    {
        $old = EntryRows::fromTree($menuId, $before);
        $new = EntryRows::fromTree($menuId, $after);
        $gone = array_keys(array_diff_key($old, $new));
        $changed = array_filter(
            $new,
            static fn (array $row, string $id): bool => !isset($old[$id])
                || json_encode($old[$id], \JSON_THROW_ON_ERROR) !== json_encode($row, \JSON_THROW_ON_ERROR),
            \ARRAY_FILTER_USE_BOTH,
        );
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
