<?php

declare(strict_types=1);

namespace Lantern\Workbench\Pieces;

use Doctrine\DBAL\Connection;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\Insert;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Position;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\Menu\Together;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Column;
use Lantern\Core\Piece\Links;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\Piece;
use Lantern\Core\Piece\Text;
use Lantern\Core\Piece\Title;
use Lantern\Core\Refused;
use Lantern\Reading\Copies\Copies;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\MenuMoves;
use Lantern\Workbench\Edits\Subject;
use Lantern\Workbench\Frame\BayRecords;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\UuidV7;

/**
 * Makes the body of a page, a wide panel, or a column of the footer, something that is laid out; with what visitors see there today as its
 * first pieces.
 */
final readonly class LayoutMaker
{
    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private BayRecords $bays,
        private Copies $copies,
        private EditLog $edits,
        private Locks $locks,
    ) {
    }

    /** @throws Refused|NotThere */
    public function page(string $placeId, Actor $by): void
    {
        $workbench = $this->copies->workbench;
        $place = $workbench->places->get($placeId) ?? throw NotThere::place();
        if (!$place->kind->hasWords()) {
            throw new Refused('place', \sprintf('A %s has no body of its own to lay out.', $place->kind->words()));
        }
        $this->make($placeId, 'page', $place->title, static function () use ($workbench, $placeId): Entry {
            // As they are when nobody else can write them any more.
            $words = self::line(new Text($workbench->shop->words($placeId)->html));

            return self::line(new Band(), [self::line(new Column(), [$words])]);
        }, \sprintf('“%s” is laid out in bands.', $place->title), $by);
    }

    /**
     * @param string $entryId of the first level of a menu
     *
     * @throws Refused|NotThere
     */
    public function panel(string $menuId, string $entryId, Actor $by): void
    {
        $found = function () use ($menuId, $entryId): Entry {
            $tree = $this->copies->workbench->menus->tree($menuId);
            $entry = $tree->find($entryId) ?? throw new NotThere('This entry is no longer in the menu.');
            if (null !== $tree->shape || 1 !== $tree->level($entryId)) {
                throw new Refused('entry', 'A wide panel opens below an entry of the first level. Put this one further out first.');
            }

            return $entry;
        };
        $title = $this->name($found());
        $this->make(
            $entryId,
            'panel',
            $title,
            static fn (): Entry => self::line(new Panel(), [self::line(new Band(), self::columns($found()))]),
            \sprintf('“%s” opens a wide panel.', $title),
            $by,
        );
    }

    /**
     * Makes a column of the footer one of pieces, and hangs it there. What hung there stands in it: a heading, and its links.
     *
     * @return string id of the column
     *
     * @throws Refused|NotThere
     */
    public function column(string $bayId, Actor $by): string
    {
        $id = self::id();
        $this->edits->run($by, Subject::Frame, function (MenuMoves $menus) use ($id, $bayId, $by): string {
            // Whoever comes second finds the column of the first.
            $this->locks->take(Lock::Frame);
            $workbench = $this->copies->workbench;
            $bay = array_column($workbench->menus->bays(), null, 'id')[$bayId] ?? null;
            if (null === $bay || !$bay->isFooter()) {
                throw new Refused('bay', 'The footer has no such column.');
            }
            $tree = null === $bay->menuId ? null : $workbench->menus->tree($bay->menuId);
            if (null !== $tree?->shape) {
                throw new Refused('bay', 'This column is laid out in pieces already. Open it.');
            }
            $pieces = [];
            if ('' !== $bay->heading) {
                $pieces[] = new Entry(self::id(), new Heading(), $bay->heading, content: new Title(3));
            }
            if (null !== $tree && [] !== $tree->entries) {
                $pieces[] = self::line(new Links(), array_map(static fn (Entry $one): Entry => $one->anew(self::id(...)), $tree->entries));
            }
            $this->row($id, 'column', '' === $bay->heading ? 'Column of pieces' : $bay->heading, $by);
            $menus->make($id, new Insert(self::line(new Column(), $pieces), new Position(null, 0)));
            $this->bays->locked($bay->id)->menuId = $id;

            return \sprintf('%s is laid out in pieces.', $bay->name());
        });

        return $id;
    }

    /**
     * Puts entries into a menu together with the wide panels that they open, as one edit.
     *
     * @param list<Entry>          $entries
     * @param array<string, Entry> $panels  by the id of the entry that they open below
     *
     * @throws Refused|NotThere
     */
    public function entries(string $menuId, array $entries, array $panels, Position $at, Actor $by): void
    {
        if ([] === $entries) {
            throw new Refused('entries', 'There is nothing to put in. Choose at least one line.');
        }
        if (null !== $at->parentId && [] !== $panels) {
            throw new Refused(
                'at',
                'A wide panel opens below an entry of the first level. Choose a line of the first level, and add them below it.',
            );
        }
        $first = array_map(static fn (Entry $entry): string => $entry->id, $entries);
        foreach (array_keys($panels) as $id) {
            if (!\in_array($id, $first, true)) {
                throw new Refused('panels', 'A wide panel opens below one of the entries that go in on the first level.');
            }
        }
        $names = array_combine($first, array_map($this->name(...), $entries));
        $this->edits->run($by, Subject::Frame, function (MenuMoves $menus) use ($menuId, $entries, $panels, $names, $at, $by): string {
            $menus->make(
                $menuId,
                new Together(array_map(
                    static fn (Entry $entry, int $n): Insert => new Insert($entry, new Position($at->parentId, $at->index + $n)),
                    $entries,
                    array_keys($entries),
                )),
            );
            foreach ($panels as $id => $panel) {
                $this->row($id, 'panel', $names[$id], $by);
                $menus->make($id, new Insert($panel, new Position(null, 0)));
            }

            return [] === $panels ? 'The lines are in the menu.' : 'The lines are in the menu, with their wide panels.';
        });
    }

    private function name(Entry $entry): string
    {
        return $entry->label
            ?? ($entry->target instanceof PlaceTarget ? $this->copies->workbench->places->get($entry->target->placeId)->title ?? '' : '');
    }

    private function row(string $id, string $kind, string $name, Actor $by): void
    {
        $this->connection->executeStatement(<<<'SQL'
            INSERT INTO menu (id, name, kind, changed_at, changed_by) VALUES (?, ?, ?, journal.moment(), ?) ON CONFLICT (id) DO NOTHING
            SQL, [$id, $name, $kind, $by->name]);
    }

    /** @param \Closure(): Entry $first made of what is there when nobody else can change it any more */
    private function make(string $id, string $kind, string $name, \Closure $first, string $sentence, Actor $by): void
    {
        $this->edits->run($by, Subject::Frame, function (MenuMoves $menus) use ($id, $kind, $name, $first, $sentence, $by): string {
            $this->locks->take(Lock::Frame);
            if ('page' === $kind) {
                $this->connection->executeStatement('SELECT 1 FROM place WHERE id = ? FOR UPDATE', [$id]);
            }
            $this->row($id, $kind, $name, $by);
            if ([] !== $this->copies->workbench->menus->tree($id)->entries) {
                throw new Refused('layout', 'This is laid out already. Reload it to see how.');
            }
            $menus->make($id, new Insert($first(), new Position(null, 0)));

            return $sentence;
        });
    }

    /**
     * What the plain dropdown of an entry shows, as columns: each child with others below it is a heading above them; the rest stand
     * together.
     *
     * @return list<Entry>
     */
    private static function columns(Entry $entry): array
    {
        $columns = $alone = [];
        foreach ($entry->children as $child) {
            if ([] === $child->children && null === $child->filling) {
                $alone[] = $child->anew(self::id(...));
            } else {
                $columns[] = [
                    new Entry(
                        self::id(),
                        $child->target,
                        $child->label,
                        [],
                        $child->enabled,
                        $child->audience,
                        $child->opening,
                        $child->newTab,
                        content: new Title(3),
                    ),
                    self::line(
                        new Links(),
                        array_map(static fn (Entry $one): Entry => $one->anew(self::id(...)), $child->children),
                        $child->filling,
                    ),
                ];
            }
        }
        if ([] !== $alone || null !== $entry->filling || [] === $columns) {
            $columns[] = [self::line(new Links(), $alone, $entry->filling)];
        }
        // More than fit side by side stand one below another in the last.
        $first = \array_slice($columns, 0, Band::COLUMNS - 1);
        $rest = array_merge(...\array_slice($columns, Band::COLUMNS - 1));

        return array_map(static fn (array $pieces): Entry => self::line(new Column(), $pieces), [] === $rest ? $first : [...$first, $rest]);
    }

    /** @param list<Entry> $children */
    private static function line(Piece $piece, array $children = [], ?SelfFilling $filling = null): Entry
    {
        return new Entry(self::id(), new Heading(), null, $children, filling: $filling, content: $piece);
    }

    private static function id(): string
    {
        return (new UuidV7())->toRfc4122();
    }
}
