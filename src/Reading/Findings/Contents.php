<?php

declare(strict_types=1);

namespace Lantern\Reading\Findings;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\Address\BadAddress;
use Lantern\Core\Address\SplitTarget;
use Lantern\Core\Finding\DistanceContent;
use Lantern\Core\Finding\Examinable;
use Lantern\Core\Finding\FrameContent;
use Lantern\Core\Finding\MentionContent;
use Lantern\Core\Finding\MenuContent;
use Lantern\Core\Finding\MenuKind;
use Lantern\Core\Finding\PlaceContent;
use Lantern\Core\Finding\RedirectContent;
use Lantern\Core\Finding\WordsContent;
use Lantern\Core\Fit\PanelFit;
use Lantern\Core\Looks\Colour;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Pale;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\Picture;
use Lantern\Core\Piece\Text;
use Lantern\Core\Place\Place;
use Lantern\Core\Refused;
use Lantern\Core\Release\CopyName;
use Lantern\Core\Shop\HeaderForm;
use Lantern\Core\Shop\HeaderShape;
use Lantern\Core\Visitor;
use Lantern\Core\Words\Words;
use Lantern\Reading\Copies\Copy;
use Lantern\Reading\Frame\FittedHeader;
use Lantern\Reading\Frame\Frame;
use Lantern\Reading\Mentions\Distances;
use Lantern\Reading\Pieces\PictureReader;
use Lantern\Reading\Places\PlaceReader;
use Lantern\Reading\Redirects\RedirectTable;
use Lantern\Reading\Redirects\RuleReader;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;

/** Reads the parts of one copy that are looked at as a whole, many at once, with all that is known of what they lead to. */
final readonly class Contents
{
    public function __construct(
        private Copy $copy,
        private Connection $connection,
        private Frame $frame,
        private PictureReader $pictures,
        private Distances $distances,
        private \DateTimeImmutable $moment,
    ) {
    }

    /**
     * @param list<string> $keys such as `words:` with an id
     *
     * @return list<Examinable> those that are there
     */
    public function read(array $keys, CopyKnowledge $known): array
    {
        $ids = ['place' => [], 'words' => [], 'menu' => [], 'redirect' => [], 'mention' => [], 'frame' => [], 'distance' => []];
        foreach ($keys as $key) {
            [$kind, $id] = explode(':', $key, 2) + [1 => ''];
            $ids[$kind][] = $id;
        }

        return [
            ...$this->redirects($ids['redirect'], $known),
            ...$this->mentions($ids['mention'], $known),
            ...$this->words($ids['words'], $known),
            ...$this->menus($ids['menu'], $known),
            ...$this->places($ids['place'], $known),
            ...([] === $ids['frame'] ? [] : [$this->frame()]),
            ...([] === $ids['distance'] ? [] : [$this->distances($known)]),
        ];
    }

    /**
     * @param list<string> $ids
     *
     * @return list<Examinable>
     */
    private function redirects(array $ids, CopyKnowledge $known): array
    {
        $contents = $goals = $paths = $urls = [];
        foreach ($this->rows(
            'SELECT r.*, v.last_day FROM redirect r LEFT JOIN visited v ON v.address = '.RedirectTable::VISITED_AS
                .' WHERE r.id = ANY (CAST(:ids AS uuid[]))',
            $ids,
        ) as $columns) {
            $row = new Row($columns);
            try {
                $rule = RuleReader::fromRow($columns);
            } catch (Refused) {
                continue;
            }
            $contents[] = new RedirectContent($rule, $row->moment('created_at') ?? $this->moment, $row->moment('last_day'));
            $paths[] = $rule->source->path;
            $goals[] = $rule->goal->placeId ?? '';
            $urls[] = $rule->goal->outside ?? '';
        }
        $known->expect(array_values(array_filter($goals)), $paths);
        $known->expectOutside(array_values(array_filter($urls)));

        return $contents;
    }

    /**
     * @param list<string> $ids
     *
     * @return list<Examinable>
     */
    private function mentions(array $ids, CopyKnowledge $known): array
    {
        $contents = [];
        foreach ($this->rows(<<<'SQL'
            SELECT id, kind, name, address FROM outside_mention WHERE id = ANY (CAST(:ids AS uuid[]))
            SQL, $ids) as $columns) {
            $row = new Row($columns);
            $contents[] = new MentionContent(
                $row->text('id'),
                $row->text('kind'),
                $row->text('name'),
                Address::fromNormal($row->text('address')),
            );
        }
        $known->expect([], array_map(static fn (MentionContent $one): string => $one->address->path, $contents));

        return $contents;
    }

    /**
     * @param list<string> $ids
     *
     * @return list<Examinable>
     */
    private function words(array $ids, CopyKnowledge $known): array
    {
        $contents = [];
        foreach ($this->rows(<<<'SQL'
            SELECT w.id, w.html FROM words w JOIN place p ON p.id = w.id WHERE w.id = ANY (CAST(:ids AS uuid[]))
            SQL, $ids) as $columns) {
            $row = new Row($columns);
            $contents[] = new WordsContent($row->text('id'), new Words($row->text('html')));
        }
        $known->expectLaidOut($ids = array_map(static fn (WordsContent $one): string => $one->placeId, $contents));
        $known->expect($ids, []);
        $this->expectLinks(array_map(static fn (WordsContent $one): Words => $one->words, $contents), $known);

        return $contents;
    }

    /**
     * @param list<string> $ids
     *
     * @return list<Examinable>
     */
    private function menus(array $ids, CopyKnowledge $known): array
    {
        $rows = $this->rows(<<<'SQL'
            SELECT m.id, m.kind, COALESCE(p.title, h.label, hp.title, m.name) AS name, h.place_id AS opens_at,
                m.kind = 'page' OR EXISTS (SELECT FROM bay b WHERE b.menu_id = COALESCE(h.menu_id, m.id)) AS met
            FROM menu m LEFT JOIN place p ON m.kind = 'page' AND p.id = m.id LEFT JOIN entry h ON m.kind = 'panel' AND h.id = m.id
                LEFT JOIN place hp ON hp.id = h.place_id
            WHERE m.id = ANY (CAST(:ids AS uuid[])) AND (m.kind <> 'page' OR p.id IS NOT NULL) AND (m.kind <> 'panel' OR h.id IS NOT NULL)
            SQL, $ids);
        if ([] === $rows) {
            return [];
        }
        $trees = $this->copy->menus->trees(array_map(static fn (array $columns): string => (new Row($columns))->text('id'), $rows));
        $this->expectTrees($trees, $known);
        $candidates = $this->copy->fillings->candidates($trees, $this->moment);
        $since = $this->since($trees);
        $contents = [];
        foreach ($rows as $columns) {
            $row = new Row($columns);
            $id = $row->text('id');
            $kind = MenuKind::from($row->text('kind'));
            $name = MenuKind::Panel === $kind ? "the wide panel of “{$row->text('name')}”" : "“{$row->text('name')}”";
            $contents[] = new MenuContent(
                $id,
                $kind,
                $name,
                $trees[$id],
                $row->bool('met'),
                $candidates,
                $since,
                $this->regions($trees[$id]->entries, null),
                $row->textOrNull('opens_at'),
            );
        }

        return $contents;
    }

    /**
     * @param list<string> $ids
     *
     * @return list<Examinable>
     */
    private function places(array $ids, CopyKnowledge $known): array
    {
        $contents = [];
        foreach ($this->rows('SELECT * FROM place WHERE id = ANY (CAST(:ids AS uuid[]))', $ids) as $columns) {
            $contents[] = new PlaceContent(PlaceReader::fromRow($columns), (new Row($columns))->text('summary'));
        }
        $places = array_map(static fn (PlaceContent $one): Place => $one->place, $contents);
        $known->expect(
            array_values(array_filter(array_merge(...array_map(
                static fn (Place $place): array => [$place->parentId, $place->closedTo],
                $places,
            )))),
            [],
        );
        $known->expectLooks($places);

        return $contents;
    }

    private function frame(): FrameContent
    {
        $guest = Visitor::guest($this->moment);
        $hung = $this->frame->of($this->copy, $guest);
        $settings = $this->copy->settings->all();
        $shape = HeaderShape::of($settings->values);
        $header = $hung['header'] ?? null;
        $menuId = $header->bay->menuId ?? '';
        $fit = null === $header || HeaderForm::Drawer === $shape->form
            ? null
            : FittedHeader::of($settings, $header->menu->entries, '' === $menuId ? [] : $this->copy->layouts->panelsIn($menuId));
        $labels = array_map(static fn (ResolvedEntry $entry): string => $entry->label, null === $header ? [] : $header->menu->byId());
        $panels = $ids = [];
        foreach ($this->frame->panels($this->copy, $guest) as $entryId => $laidOut) {
            $panel = $laidOut->layout->pieces[0] ?? null;
            $panelFit = null === $panel ? null : PanelFit::of($panel, $settings->looks());
            if (null !== $panelFit && !$panelFit->fits) {
                $panels[$entryId] = ['name' => $labels[$entryId] ?? '', 'menu' => $entryId, 'words' => $panelFit->words()];
            }
        }
        $menuIds = $fillings = [];
        foreach ($hung as $one) {
            $menuIds[] = $one->bay->menuId ?? '';
            foreach ($one->menu->byId() as $entry) {
                $ids[] = $entry->placeId ?? '';
            }
        }
        foreach ($this->copy->menus->trees(array_values(array_unique(array_filter($menuIds)))) as $tree) {
            $ids = [...$ids, ...$tree->placeIds()];
            foreach ($tree->all() as $entry) {
                if (null !== $entry->filling) {
                    $fillings[] = $entry->filling->placeId ?? '';
                }
            }
        }

        return new FrameContent(
            array_values($hung),
            $this->copy->places->byIds(array_values(array_unique(array_filter($ids)))),
            $fit,
            $shape->drawerBelow,
            $menuId,
            $panels,
            array_values(array_unique($fillings)),
        );
    }

    private function distances(CopyKnowledge $known): DistanceContent
    {
        $visited = [];
        foreach ($this->connection->fetchAllAssociative(<<<'SQL'
            SELECT p.* FROM (SELECT address, sum(count) AS visits FROM visit WHERE day > journal.utc_day() - 30 GROUP BY address
                HAVING sum(count) >= :many ORDER BY visits DESC LIMIT 200) v
            JOIN place p ON p.address = v.address ORDER BY v.visits DESC, p.id
            SQL, ['many' => DistanceContent::MANY_VISITS]) as $columns) {
            $visited[] = PlaceReader::fromRow($columns);
        }

        $steps = $this->distances->to(
            array_map(static fn (Place $place): string => $place->id, $visited),
            $this->copy,
            $this->connection,
            DistanceContent::NEAR,
        );
        $known->expectLed(array_map(strval(...), array_keys(array_filter($steps, is_null(...)))));

        return new DistanceContent($visited, $steps);
    }

    /** @param array<string, Tree> $trees */
    private function expectTrees(array $trees, CopyKnowledge $known): void
    {
        $ids = array_map(strval(...), array_keys($trees));
        $words = $parts = $urls = $pictures = [];
        foreach ($trees as $tree) {
            $ids = [...$ids, ...$tree->placeIds()];
            foreach ($tree->all() as $entry) {
                if ($entry->content instanceof Text) {
                    $words[] = new Words($entry->content->html);
                }
                if ($entry->content instanceof Picture && '' !== $entry->content->name) {
                    $pictures[] = $entry->content->name;
                }
                if ($entry->target instanceof PlaceTarget && '' !== $entry->target->part) {
                    $parts[] = $entry->target->placeId;
                }
                if ($entry->target instanceof OutsideTarget) {
                    $urls[] = $entry->target->url;
                }
            }
        }
        $known->expect(array_values(array_unique($ids)), []);
        $known->expectParts($parts);
        $known->expectOutside($urls);
        $known->expectPictures($pictures);
        $this->expectLinks($words, $known);
    }

    /** @param list<Words> $words */
    private function expectLinks(array $words, CopyKnowledge $known): void
    {
        $ids = $paths = $parts = $urls = [];
        foreach ($words as $one) {
            foreach ($one->links() as $link) {
                if (null !== $link->placeId) {
                    $ids[] = $link->placeId;
                    if ('' !== $link->part) {
                        $parts[] = $link->placeId;
                    }
                }
                if (null !== $link->outside) {
                    $urls[] = $link->outside;
                }
                if (null !== $link->address) {
                    try {
                        $paths[] = Address::parse(SplitTarget::of($link->address)->path)->path;
                    } catch (BadAddress) {
                        continue;
                    }
                }
            }
        }
        $known->expect(array_values(array_unique($ids)), array_values(array_unique($paths)));
        $known->expectParts($parts);
        $known->expectOutside($urls);
    }

    /**
     * Since when visitors have known each entry as it is: the last release that changed it, or the first of all. One that was
     * edited meanwhile they still get as it was.
     *
     * @param array<string, Tree> $trees
     *
     * @return array<string, \DateTimeImmutable> by entry
     */
    private function since(array $trees): array
    {
        $ids = array_merge(
            [],
            ...array_map(
                static fn (Tree $tree): array => null === $tree->shape
                    ? array_map(static fn (Entry $entry): string => $entry->id, iterator_to_array($tree->all(), false))
                    : [],
                array_values($trees),
            ),
        );
        $edited = CopyName::Workbench === $this->copy->name
            ? 'AND EXISTS (SELECT FROM live.entry l WHERE l.id = e.id AND (l.enabled, l.audience, l.place_id, l.uri, l.from_on, '
                .'l.until_on) IS NOT DISTINCT FROM (e.enabled, e.audience, e.place_id, e.uri, e.from_on, e.until_on))'
            : '';
        $since = [];
        foreach ($this->rows(<<<SQL
            SELECT e.id, GREATEST(
                COALESCE((SELECT max(l.released_at) FROM release_row r JOIN release l ON l.id = r.release_id
                    WHERE r.table_name = 'entry' AND r.row_id = e.id::text), (SELECT min(released_at) FROM release)),
                p.changed_at
            ) AS since FROM entry e LEFT JOIN place p ON p.id = e.place_id AND p.light <> 'open'
                WHERE e.id = ANY (CAST(:ids AS uuid[])) $edited
            SQL, $ids) as $columns) {
            $row = new Row($columns);
            $moment = $row->moment('since');
            if (null !== $moment) {
                $since[$row->text('id')] = $moment;
            }
        }

        return $since;
    }

    /**
     * @param list<Entry> $entries
     *
     * @return array<string, list<Colour>> the colours of the picture behind each band or panel, by its id
     */
    private function regions(array $entries, ?Panel $panel): array
    {
        $regions = [];
        foreach ($entries as $entry) {
            $piece = $entry->content;
            if ($piece instanceof Band || $piece instanceof Panel) {
                $behind = Pale::pictureBehind($piece, $piece instanceof Band ? $panel : null);
                if (null !== $behind) {
                    $regions[$entry->id] = $this->pictures->regions($behind);
                }
            }
            $regions += $this->regions($entry->children, $piece instanceof Panel ? $piece : $panel);
        }

        return $regions;
    }

    /**
     * @param list<string> $ids
     *
     * @return list<array<string, mixed>>
     */
    private function rows(string $sql, array $ids): array
    {
        return [] === $ids ? [] : $this->connection->fetchAllAssociative($sql, ['ids' => PgArray::of($ids)]);
    }
}
