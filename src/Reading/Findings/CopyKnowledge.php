<?php

declare(strict_types=1);

namespace Lantern\Reading\Findings;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\Address\ReservedAddresses;
use Lantern\Core\Finding\Knowledge;
use Lantern\Core\Finding\OutsideAnswer;
use Lantern\Core\Place\Place;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Refused;
use Lantern\Core\Shop\Settings;
use Lantern\Core\Visitor;
use Lantern\Core\Words\Anchor;
use Lantern\Core\Words\Words;
use Lantern\Interchange\Sitemap\Sitemap;
use Lantern\Reading\Copies\Copy;
use Lantern\Reading\Frame\Frame;
use Lantern\Reading\Pieces\PictureReader;
use Lantern\Reading\Places\PlaceConditions;
use Lantern\Reading\Places\PlaceReader;
use Lantern\Reading\Redirects\RuleReader;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;

/**
 * What may be asked of one copy while it is looked over. Whatever was read is kept for as long as a batch is looked at, so that a
 * thousand links need a few statements: `expect` reads many at once, and what nobody expected is read by itself.
 */
final class CopyKnowledge implements Knowledge
{
    /** @var array<string, Place|null> */
    private array $byId = [];
    /** @var array<string, Place|null> */
    private array $byPath = [];
    /** @var array<string, Rule|null> by source */
    private array $exact = [];
    /** @var array<string, Rule|null> by source */
    private array $prefix = [];
    /** @var array<string, list<Anchor>> */
    private array $parts = [];
    /** @var array<string, OutsideAnswer|null> */
    private array $outside = [];
    /** @var array<string, bool> */
    private array $pictures = [];
    /** @var array<string, bool> */
    private array $lists = [];
    /** @var array<string, bool> */
    private array $led = [];
    /** @var array<string, list<Place>> */
    private array $titled = [];
    /** @var array<string, string>|null */
    private ?array $signUps = null;
    /** @var array<string, true>|null */
    private ?array $inFooter = null;

    /** @var array<string, bool> by place */
    private array $laidOut = [];

    public function __construct(
        private readonly Copy $copy,
        private readonly Connection $connection,
        private readonly \DateTimeImmutable $moment,
        private readonly PictureReader $shopPictures,
        private readonly string $storefrontUrl,
    ) {
    }

    /**
     * @param list<string> $ids   of places
     * @param list<string> $paths of addresses, and of all that redirects from there lead on to
     */
    public function expect(array $ids, array $paths): void
    {
        $this->readPlaces(array_values(array_diff($ids, array_keys($this->byId))));
        for ($round = 0; [] !== $paths && $round < 25; ++$round) {
            $paths = $this->readAddresses($paths);
        }
    }

    /** @param list<string> $urls of other web sites */
    public function expectOutside(array $urls): void
    {
        $urls = array_values(array_unique(array_filter($urls, fn (string $url): bool => !\array_key_exists($url, $this->outside))));
        if ([] === $urls) {
            return;
        }
        $this->outside += array_fill_keys($urls, null);
        foreach ($this->connection->fetchAllAssociative(<<<'SQL'
            SELECT url, status, moved, secure, away_days, why, asked_at FROM outside_answer WHERE url = ANY (CAST(? AS text[]))
            AND status IS NOT NULL
            SQL, [PgArray::of($urls)]) as $columns) {
            $row = new Row($columns);
            $this->outside[$row->text('url')] = new OutsideAnswer(
                $row->int('status'),
                $row->textOrNull('moved'),
                $row->bool('secure'),
                $row->int('away_days'),
                $row->text('why'),
                $row->moment('asked_at'),
            );
        }
    }

    public function within(string $url): ?string
    {
        $own = parse_url($this->storefrontUrl);
        $asked = parse_url($url);
        if (
            !\is_array($own)
            || !\is_array($asked)
            || !isset($asked['host'], $own['host'])
            || strtolower($asked['host']) !== strtolower($own['host'])
            || ($asked['port'] ?? null) !== ($own['port'] ?? null)
        ) {
            return null;
        }

        return ($asked['path'] ?? '/').(isset($asked['query']) ? '?'.$asked['query'] : '')
            .(isset($asked['fragment']) ? '#'.$asked['fragment'] : '');
    }

    public function serves(Address $address): bool
    {
        if (1 === preg_match('~^/sitemap-(\d{1,6})\.xml$~D', $address->path, $part)) {
            return (int) $part[1] >= 1
                && (int) $part[1] <= max(1, (int) ceil($this->copy->places->countInSitemap($this->moment) / Sitemap::MOST));
        }

        return ReservedAddresses::isServed($address);
    }

    public function isAnythingBelow(Address $address): bool
    {
        return false !== $this->connection->fetchOne(<<<'SQL'
            SELECT 1 FROM place WHERE address = :path OR address > CAST(:path AS text) COLLATE "C" || '/'
            AND address < CAST(:path AS text) COLLATE "C" || '0' LIMIT 1
            SQL, ['path' => $address->path]);
    }

    /** @param list<string> $placeIds of pages of which it is asked whether their words are read */
    public function expectLaidOut(array $placeIds): void
    {
        $this->laidOut += array_fill_keys($placeIds, false);
        foreach ([] === $placeIds ? [] : $this->connection->fetchFirstColumn(<<<'SQL'
            SELECT DISTINCT menu_id FROM entry WHERE menu_id = ANY (CAST(? AS uuid[]))
            SQL, [PgArray::of($placeIds)]) as $id) {
            $this->laidOut[\is_string($id) ? $id : ''] = true;
        }
    }

    public function isLaidOut(string $placeId): bool
    {
        if (!isset($this->laidOut[$placeId])) {
            $this->expectLaidOut([$placeId]);
        }

        return $this->laidOut[$placeId] ?? false;
    }

    /** @param list<string> $placeIds of pages to parts of which something leads */
    public function expectParts(array $placeIds): void
    {
        $placeIds = array_values(array_diff(array_unique($placeIds), array_map(strval(...), array_keys($this->parts))));
        if ([] === $placeIds) {
            return;
        }
        $this->parts += array_fill_keys($placeIds, []);
        foreach ($this->connection->fetchAllAssociative(<<<'SQL'
            SELECT id, text_of_page(id) AS html FROM place WHERE id = ANY (CAST(:ids AS uuid[]))
            SQL, ['ids' => PgArray::of($placeIds)]) as $columns) {
            $row = new Row($columns);
            $this->parts[$row->text('id')] = [...$this->parts[$row->text('id')], ...(new Words($row->text('html')))->anchors()];
        }
    }

    /**
     * Everything that is asked about each of these places itself.
     *
     * @param list<Place> $places
     */
    public function expectLooks(array $places): void
    {
        $ids = array_map(static fn (Place $place): string => $place->id, $places);
        $this->lists += array_fill_keys($ids, false);
        foreach ($this->listing($ids) as $id) {
            $this->lists[$id] = true;
        }
        $this->expectLed($ids);
        $this->readTitles(array_values(array_unique(array_map(
            static fn (Place $place): string => '' === $place->listing->title ? $place->title : $place->listing->title,
            $places,
        ))));
    }

    /** @param list<string> $placeIds of which it is asked whether anything leads there */
    public function expectLed(array $placeIds): void
    {
        $this->led += array_fill_keys($placeIds, false);
        foreach ($this->leading($placeIds) as $id) {
            $this->led[$id] = true;
        }
    }

    /** @param list<string> $names of pictures */
    public function expectPictures(array $names): void
    {
        // A drawn one is as long as its file is; an uploaded one as long as visitors get it.
        $new = array_values(array_filter($names, fn (string $name): bool => !isset($this->pictures[$name])));
        foreach ($new as $name) {
            $this->pictures[$name] = !str_starts_with($name, 'uploads/') && null !== $this->shopPictures->size($name);
        }
        $asked = array_values(array_filter($new, static fn (string $name): bool => str_starts_with($name, 'uploads/')));
        foreach ([] === $asked ? [] : $this->connection->fetchFirstColumn(
            "SELECT p.file ->> 'stored' FROM place p WHERE p.kind = 'file' AND ".PlaceConditions::OPENS
                ." AND p.file ->> 'stored' = ANY (CAST(:names AS text[]))",
            ['names' => PgArray::of($asked)] + PlaceConditions::visitor(Visitor::guest($this->moment)),
        ) as $name) {
            $this->pictures[\is_string($name) ? $name : ''] = true;
        }
    }

    public function get(string $id): ?Place
    {
        if (!\array_key_exists($id, $this->byId)) {
            $this->readPlaces([$id]);
        }

        return $this->byId[$id] ?? null;
    }

    public function at(Address $address): ?Place
    {
        $this->know($address);

        return $this->byPath[$address->path] ?? null;
    }

    public function exact(Address $address, \DateTimeImmutable $moment): ?Rule
    {
        $this->know($address);
        $rule = $this->exact[$address->path] ?? null;

        return true === $rule?->isInForce($moment) ? $rule : null;
    }

    public function longestPrefix(Address $address, \DateTimeImmutable $moment): ?Rule
    {
        $this->know($address);
        foreach ($address->ancestors() as $above) {
            $rule = $this->prefix[$above->path] ?? null;
            if (true === $rule?->isInForce($moment)) {
                return $rule;
            }
        }

        return null;
    }

    public function parts(string $placeId): array
    {
        $this->expectParts([$placeId]);

        return $this->parts[$placeId];
    }

    public function outside(string $url): ?OutsideAnswer
    {
        $this->expectOutside([$url]);

        return $this->outside[$url] ?? null;
    }

    public function hasPicture(string $name): bool
    {
        if (!isset($this->pictures[$name])) {
            $this->expectPictures([$name]);
        }

        return $this->pictures[$name];
    }

    public function listsAnything(Place $place): bool
    {
        return $this->lists[$place->id] ??= [] !== $this->listing([$place->id]);
    }

    public function isLedTo(Place $place): bool
    {
        return $this->led[$place->id] ??= [] !== $this->leading([$place->id]);
    }

    public function isInFooter(string $placeId): bool
    {
        if (null === $this->inFooter) {
            $this->inFooter = array_fill_keys(
                array_filter(
                    $this->connection->fetchFirstColumn(
                        <<<'SQL'
                            SELECT DISTINCT unnest(e.leads) FROM bay b JOIN examined e ON e.copy = ?
                            AND e.subject = 'menu:' || b.menu_id WHERE
                            SQL
                            .' '.Frame::AT_THE_FOOT,
                        [$this->copy->name->value],
                    ),
                    \is_string(...),
                ),
                true,
            );
        }

        return isset($this->inFooter[$placeId]);
    }

    public function titled(string $title): array
    {
        if (!isset($this->titled[$title])) {
            $this->readTitles([$title]);
        }

        return $this->titled[$title];
    }

    public function signUpsOfTheFooter(): array
    {
        if (null === $this->signUps) {
            $this->signUps = [];
            foreach ($this->connection->fetchAllAssociative(<<<'SQL'
                SELECT e.piece ->> 'list' AS list, c.name FROM bay b JOIN menu c ON c.id = b.menu_id AND c.kind = 'column'
                JOIN entry e ON e.menu_id = c.id AND e.piece ->> 'kind' = 'sign-up' AND e.enabled AND e.piece ->> 'list' <> ''
                ORDER BY b.position DESC
                SQL) as $columns) {
                $row = new Row($columns);
                $this->signUps[$row->text('list')] = $row->text('name');
            }
        }

        return $this->signUps;
    }

    public function settings(): Settings
    {
        return $this->copy->settings->all();
    }

    private function know(Address $address): void
    {
        if (!\array_key_exists($address->path, $this->byPath)) {
            $this->readAddresses([$address->path]);
        }
    }

    /** @param list<string> $ids */
    private function readPlaces(array $ids): void
    {
        $ids = array_values(array_filter($ids, static fn (string $id): bool => 1 === preg_match('/^[0-9a-f-]{36}$/D', $id)));
        if ([] === $ids) {
            return;
        }
        $this->byId += array_fill_keys($ids, null);
        foreach ($this->copy->places->byIds($ids) as $place) {
            $this->byId[$place->id] = $place;
        }
    }

    /**
     * @param list<string> $paths
     *
     * @return list<string> where redirects from there lead on to
     */
    private function readAddresses(array $paths): array
    {
        $paths = array_values(array_filter(array_unique($paths), fn (string $path): bool => !\array_key_exists($path, $this->byPath)));
        if ([] === $paths) {
            return [];
        }
        $above = [];
        foreach ($paths as $path) {
            foreach (Address::fromNormal($path)->ancestors() as $one) {
                if (!\array_key_exists($one->path, $this->prefix)) {
                    $above[$one->path] = null;
                }
            }
        }
        $this->byPath += array_fill_keys($paths, null);
        $this->exact += array_fill_keys($paths, null);
        $this->prefix += $above;
        foreach ($this->copy->places->atAll(array_map(Address::fromNormal(...), $paths)) as $place) {
            $this->byPath[$place->address->path] = $place;
            $this->byId[$place->id] = $place;
        }
        $goals = $elsewhere = [];
        foreach ($this->connection->fetchAllAssociative(<<<'SQL'
            SELECT * FROM redirect WHERE NOT is_prefix AND source = ANY (CAST(:paths AS text[])) UNION ALL SELECT * FROM redirect
            WHERE is_prefix AND source = ANY (CAST(:above AS text[]))
            SQL, ['paths' => PgArray::of($paths), 'above' => PgArray::of(array_map(strval(...), array_keys($above)))]) as $columns) {
            try {
                $rule = RuleReader::fromRow($columns);
            } catch (Refused) {
                continue;
            }
            if ($rule->prefix) {
                $this->prefix[$rule->source->path] = $rule;
            } else {
                $this->exact[$rule->source->path] = $rule;
            }
            if (null !== $rule->goal->placeId) {
                $goals[] = $rule->goal->placeId;
            } elseif (!$rule->prefix && null !== $rule->goal->address) {
                $elsewhere[] = $rule->goal->address->path;
            }
        }
        $this->readPlaces(array_values(array_diff($goals, array_keys($this->byId))));
        foreach ($goals as $id) {
            $elsewhere[] = $this->byId[$id]->address->path ?? '';
        }

        return array_values(array_filter($elsewhere));
    }

    /**
     * @param list<string> $ids
     *
     * @return list<string> of these, the landing pages that show a guest anything
     */
    private function listing(array $ids): array
    {
        $shown = PlaceConditions::SHOWN;
        $columns = $this->connection->fetchFirstColumn(<<<SQL
            SELECT l.id FROM place l WHERE l.id = ANY (CAST(:ids AS uuid[])) AND CASE l.kind
                WHEN 'page-group' THEN EXISTS (SELECT FROM place p WHERE p.parent_id = l.id AND p.kind = 'page' AND $shown)
                WHEN 'journal' THEN EXISTS (SELECT FROM place p WHERE p.parent_id = l.id AND p.kind = 'article' AND $shown)
                WHEN 'category' THEN EXISTS (SELECT FROM place p WHERE p.parent_id = l.id AND p.kind = 'category' AND $shown)
                    OR EXISTS (WITH RECURSIVE tree AS (SELECT l.id UNION SELECT c.id FROM place c JOIN tree ON c.parent_id = tree.id
                        WHERE c.kind = 'category')
                        SELECT FROM tree JOIN standing s ON s.category_id = tree.id JOIN place p ON p.id = s.product_id WHERE $shown)
                WHEN 'collection' THEN CASE COALESCE(l.rule ->> 'by', 'hand')
                    WHEN 'hand' THEN EXISTS (SELECT FROM pick k JOIN place p ON p.id = k.product_id WHERE k.collection_id = l.id AND $shown)
                    WHEN 'tag' THEN EXISTS (SELECT FROM product f JOIN place p ON p.id = f.id WHERE f.tags @> ARRAY[l.rule ->> 'tag']
                        AND $shown)
                    WHEN 'reduced' THEN EXISTS (SELECT FROM product f JOIN place p ON p.id = f.id WHERE f.reduced_from IS NOT NULL
                        AND $shown)
                    WHEN 'featured' THEN EXISTS (SELECT FROM product f JOIN place p ON p.id = f.id WHERE f.featured AND $shown)
                    ELSE EXISTS (SELECT FROM product f JOIN place p ON p.id = f.id WHERE $shown) END
                ELSE true END
            SQL, ['ids' => PgArray::of($ids), 'moment' => $this->moment->format(\DATE_ATOM), 'audience' => 'guests']);

        return array_values(array_filter($columns, \is_string(...)));
    }

    /**
     * @param list<string> $ids
     *
     * @return list<string> of these, those that something leads to
     */
    private function leading(array $ids): array
    {
        $columns = $this->connection->fetchFirstColumn(<<<'SQL'
            WITH led AS MATERIALIZED (
                SELECT DISTINCT lead FROM examined e CROSS JOIN LATERAL unnest(e.leads) AS lead
                WHERE e.copy = :copy AND e.leads && CAST(:ids AS uuid[]) AND lead = ANY (CAST(:ids AS uuid[]))
                    AND e.subject <> 'words:' || lead AND e.subject <> 'menu:' || lead
            )
            SELECT p.id FROM place p WHERE p.id = ANY (CAST(:ids AS uuid[])) AND (
                p.light = 'open' AND (p.parent_id IS NOT NULL OR p.kind IN ('product', 'collection', 'category'))
                OR p.id IN (SELECT lead FROM led)
                OR EXISTS (SELECT FROM place c WHERE c.parent_id = p.id AND c.light <> 'closed')
            )
            SQL, ['ids' => PgArray::of($ids), 'copy' => $this->copy->name->value]);

        return array_values(array_filter($columns, \is_string(...)));
    }

    /** @param list<string> $titles */
    private function readTitles(array $titles): void
    {
        $titles = array_values(array_filter($titles, fn (string $title): bool => !isset($this->titled[$title])));
        if ([] === $titles) {
            return;
        }
        $this->titled += array_fill_keys($titles, []);
        foreach ($this->connection->fetchAllAssociative(<<<'SQL'
            SELECT p.*, t.title AS asked FROM unnest(CAST(:titles AS text[])) AS t (title) CROSS JOIN LATERAL (
                SELECT * FROM place p WHERE COALESCE(NULLIF(p.listing_title, ''), p.title) = t.title AND p.listed
                    AND p.light <> 'closed' AND p.audience = 'everyone'
                AND (p.opens_on IS NULL OR p.opens_on <= :moment) AND (p.closes_on IS NULL OR p.closes_on > :moment) ORDER BY p.id LIMIT 3
            ) p
            SQL, ['titles' => PgArray::of($titles), 'moment' => $this->moment->format(\DATE_ATOM)]) as $columns) {
            $this->titled[(new Row($columns))->text('asked')][] = PlaceReader::fromRow($columns);
        }
    }
}
