<?php

declare(strict_types=1);

namespace Lantern\Reading\Findings;

use Doctrine\DBAL\Connection;
use Lantern\Core\Finding\Finding;
use Lantern\Core\Finding\FindingKind;
use Lantern\Core\Finding\Subject;
use Lantern\Core\Finding\SubjectType;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;
use Lantern\Reading\Sql\SqlFragment;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** What was found, as it is listed: by what is wrong, most visited first. */
final readonly class FindingTable
{
    /** How many of each kind are told before somebody asks for the rest. */
    public const FIRST = 6;
    public const PAGE = 100;

    private const MOST_WORDS = 8;
    private const COLUMNS = 'f.id, f.kind, f.subject_type, f.subject_id, f.name, f.within, f.place, f.details, to_jsonb(f.met) AS met, '
        .'f.says, f.visits, f.since, f.person, a.reason, a.person AS aside_by, a.until, a.finding_id IS NOT NULL AS aside, (SELECT '
        .'to_jsonb(array_agg(c.copy ORDER BY c.copy)) FROM journal.finding c WHERE c.copy IN (\'live\', \'workbench\') AND c.id = f.id) '
        .'AS copies';
    private const ASIDE = 'LEFT JOIN journal.set_aside a ON a.finding_id = f.id AND (a.until IS NULL OR a.until > journal.moment())';

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /**
     * @param string $words those that a finding, or what it is about, has
     * @param bool   $aside those that are set aside, and no others
     *
     * @return list<FoundGroup> what is broken first, then by visits
     */
    public function groups(CopyFilter $stand, string $words = '', bool $aside = false): array
    {
        $which = $this->which($stand, $words, $aside);
        $rows = $this->connection->fetchAllAssociative(\sprintf(<<<'SQL'
            WITH first AS MATERIALIZED (
                SELECT * FROM (
                    SELECT f.copy, f.id, count(*) OVER kind AS of_kind, sum(f.visits) OVER kind AS visits_of_kind, row_number() OVER
                        (PARTITION BY f.kind ORDER BY f.visits DESC, f.id) AS nth
                    FROM journal.finding f %2$s WHERE %3$s WINDOW kind AS (PARTITION BY f.kind)
                ) found WHERE nth <= %4$d
            )
            SELECT %1$s, of_kind, visits_of_kind FROM first JOIN journal.finding f USING (copy, id) %2$s
                ORDER BY f.broken DESC, visits_of_kind DESC, f.kind, nth
            SQL, self::COLUMNS, self::ASIDE, $which->sql, self::FIRST), $which->parameters);
        $groups = [];
        foreach ($rows as $columns) {
            $row = new Row($columns);
            $groups[$row->text('kind')][] = $columns;
        }

        return array_values(array_map(static function (array $some): FoundGroup {
            $row = new Row($some[0]);

            return new FoundGroup(
                FindingKind::from($row->text('kind')),
                $row->int('of_kind'),
                $row->int('visits_of_kind'),
                array_map(self::found(...), $some),
            );
        }, $groups));
    }

    /**
     * A page of one kind.
     *
     * @param string|null $after id of the finding that the page before ended with
     *
     * @return list<FoundFinding> one more than a page where there is a next one
     */
    public function page(CopyFilter $stand, FindingKind $kind, string $words, bool $aside, ?string $after): array
    {
        $which = $this->which($stand, $words, $aside);
        $which = $which->and('f.kind = :kind', ['kind' => $kind->value]);
        if (null !== $after) {
            $which = $which->
                and(
                    '(-f.visits, f.id) > (SELECT -b.visits, b.id FROM journal.finding b WHERE b.id = :after ORDER BY b.copy LIMIT 1)',
                    ['after' => $after],
                );
        }

        return array_map(
            self::found(...),
            $this->connection->fetchAllAssociative(
                'SELECT '.self::COLUMNS.' FROM journal.finding f '.self::ASIDE." WHERE {$which->sql} ORDER BY f.visits DESC, f.id LIMIT "
                    .(self::PAGE + 1),
                $which->parameters,
            ),
        );
    }

    /** @return iterable<FoundFinding> all that is not set aside, what is broken and most visited first */
    public function all(CopyFilter $stand): iterable
    {
        $which = $this->which($stand, '', false);
        foreach ($this->connection->iterateAssociative(
            'SELECT '.self::COLUMNS.' FROM journal.finding f '.self::ASIDE
                ." WHERE {$which->sql} ORDER BY f.broken DESC, f.visits DESC, f.kind, f.id",
            $which->parameters,
        ) as $columns) {
            yield self::found($columns);
        }
    }

    /** @return list<FoundFinding> what visitors find broken on live that was in order at a moment */
    public function brokenSince(\DateTimeImmutable $moment, int $most): array
    {
        return array_map(
            self::found(...),
            $this->connection->fetchAllAssociative(
                'SELECT '.self::COLUMNS.' FROM journal.finding f '.self::ASIDE
                    ." WHERE f.copy = 'live' AND f.broken AND f.since >= :moment AND a.finding_id IS NULL ORDER BY f.visits DESC, f.id "
                        ."LIMIT $most",
                ['moment' => $moment->format(\DATE_ATOM)],
            ),
        );
    }

    /** @return list<string> of all findings on the workbench that are not set aside */
    public function ids(): array
    {
        $which = $this->which(CopyFilter::Workbench, '', false);

        return array_values(array_filter(
            $this->connection->fetchFirstColumn(
                'SELECT f.id FROM journal.finding f '.self::ASIDE." WHERE {$which->sql}",
                $which->parameters,
            ),
            \is_string(...),
        ));
    }

    /**
     * @param list<string> $ids
     *
     * @return list<FoundFinding> those on the workbench
     */
    public function onTheWorkbench(array $ids): array
    {
        return array_map(
            self::found(...),
            $this->connection->fetchAllAssociative(
                'SELECT '.self::COLUMNS.' FROM journal.finding f '.self::ASIDE
                    ." WHERE f.copy = 'workbench' AND f.id = ANY (CAST(? AS text[])) ORDER BY f.visits DESC, f.id",
                [PgArray::of($ids)],
            ),
        );
    }

    /** @return FoundFinding|null on either copy */
    public function one(string $id): ?FoundFinding
    {
        $row = $this->connection->fetchAssociative(
            'SELECT '.self::COLUMNS.' FROM journal.finding f '.self::ASIDE.' WHERE f.id = ? ORDER BY f.copy DESC LIMIT 1',
            [$id],
        );

        return false === $row ? null : self::found($row);
    }

    /**
     * What is wrong with some things on the workbench, where people meet them: entries, pieces, texts, places, redirects.
     *
     * @param list<string> $subjectIds
     *
     * @return list<FoundFinding>
     */
    public function about(array $subjectIds): array
    {
        return [] === $subjectIds
            ? []
            : array_map(
                self::found(...),
                $this->connection->fetchAllAssociative(
                    'SELECT '.self::COLUMNS.' FROM journal.finding f '.self::ASIDE
                        ." WHERE f.copy = 'workbench' AND f.subject_id = ANY (CAST(? AS text[])) AND a.finding_id IS NULL ORDER BY "
                            .'f.broken DESC, f.visits DESC, f.id',
                    [PgArray::of($subjectIds)],
                ),
            );
    }

    /** @return list<FoundFinding> what is wrong within a menu, a page or a panel of the workbench */
    public function within(string $menuId): array
    {
        return array_map(
            self::found(...),
            $this->connection->fetchAllAssociative(
                'SELECT '.self::COLUMNS.' FROM journal.finding f '.self::ASIDE
                    ." WHERE f.copy = 'workbench' AND f.within = ? AND a.finding_id IS NULL ORDER BY f.broken DESC, f.visits DESC, f.id "
                        .'LIMIT 200',
                [$menuId],
            ),
        );
    }

    /**
     * How many findings there are about things, or within them.
     *
     * @param list<string> $ids of menus, pages or places
     *
     * @return array{array<string, int>, array<string, int>} all, and those by which visitors find nothing, by id
     */
    public function counts(array $ids): array
    {
        $counts = $broken = [];
        foreach ([] === $ids ? [] : $this->connection->fetchAllAssociative(<<<'SQL'
            SELECT one.id, count(*) AS wrong, count(*) FILTER (WHERE f.broken) AS broken FROM unnest(CAST(:ids AS text[])) AS one (id)
            JOIN journal.finding f ON f.copy = 'workbench' AND (f.subject_id = one.id OR f.within = one.id AND f.within <> '')
            WHERE NOT EXISTS (SELECT FROM journal.set_aside a WHERE a.finding_id = f.id
                AND (a.until IS NULL OR a.until > journal.moment())) GROUP BY one.id
            SQL, ['ids' => PgArray::of($ids)]) as $columns) {
            $row = new Row($columns);
            $counts[$row->text('id')] = $row->int('wrong');
            $broken[$row->text('id')] = $row->int('broken');
        }

        return [$counts, array_filter($broken)];
    }

    /** @return LastWalk|null null where nobody has walked yet */
    public function lastWalk(CopyFilter $stand): ?LastWalk
    {
        $row = $this->connection->fetchAssociative(<<<'SQL'
            SELECT at, pages, links, faults FROM journal.crawl WHERE copy = ?
            SQL, [CopyFilter::Live === $stand || CopyFilter::Goes === $stand ? 'live' : 'workbench']);
        if (false === $row) {
            return null;
        }
        $row = new Row($row);

        return new LastWalk(
            $row->moment('at') ?? new \DateTimeImmutable('@0'),
            $row->int('pages'),
            $row->int('links'),
            $row->texts('faults'),
        );
    }

    public function outlook(bool $isOfNow): FindingTotals
    {
        $row = new Row($this->connection->fetchAssociative(<<<'SQL'
            WITH f AS (SELECT f.copy, f.id, f.broken, f.visits FROM journal.finding f
                WHERE NOT EXISTS (SELECT FROM journal.set_aside a WHERE a.finding_id = f.id
                AND (a.until IS NULL OR a.until > journal.moment()))),
            comes AS (SELECT id, broken, visits FROM f WHERE copy = 'workbench'
                AND NOT EXISTS (SELECT FROM journal.finding l WHERE l.copy = 'live' AND l.id = f.id))
            SELECT count(*) FILTER (WHERE copy = 'workbench') AS wrong, count(*) FILTER (WHERE copy = 'workbench'
                AND broken) AS broken, count(*) FILTER (WHERE copy = 'live') AS live,
                (SELECT count(*) FROM comes WHERE broken) AS breaks, (SELECT COALESCE(sum(visits), 0) FROM comes WHERE broken) AS visits,
                count(*) FILTER (WHERE copy = 'live' AND NOT EXISTS (SELECT FROM journal.finding w WHERE w.copy = 'workbench'
                    AND w.id = f.id)) AS mends,
                (SELECT count(DISTINCT a.finding_id) FROM journal.set_aside a JOIN journal.finding s ON s.id = a.finding_id
                    WHERE a.until IS NULL OR a.until > journal.moment()) AS aside,
                (SELECT max(done) FROM journal.look) AS done, (SELECT max("of") FROM journal.look) AS "of"
            FROM f
            SQL) ?: []);

        return new FindingTotals(
            $row->int('wrong'),
            $row->int('broken'),
            $row->int('breaks'),
            $row->int('visits'),
            $row->int('mends'),
            $row->int('live'),
            $row->int('aside'),
            $isOfNow,
            $row->int('done'),
            $row->int('of'),
        );
    }

    private function which(CopyFilter $stand, string $words, bool $aside): SqlFragment
    {
        $other = 'NOT EXISTS (SELECT FROM journal.finding o WHERE o.copy = :other AND o.id = f.id)';
        $which = match ($stand) {
            CopyFilter::Live, CopyFilter::Workbench => new SqlFragment('f.copy = :copy', ['copy' => $stand->value]),
            CopyFilter::Comes => new SqlFragment("f.copy = :copy AND $other", ['copy' => 'workbench', 'other' => 'live']),
            CopyFilter::Goes => new SqlFragment("f.copy = :copy AND $other", ['copy' => 'live', 'other' => 'workbench']),
        };
        $words = \array_slice(preg_split('/\s+/u', trim($words), -1, \PREG_SPLIT_NO_EMPTY) ?: [], 0, self::MOST_WORDS);

        return $which->
            and($aside ? 'a.finding_id IS NOT NULL' : 'a.finding_id IS NULL')->andAlso(SqlFragment::contains(
                "(f.says || ' ' || f.name || ' ' || f.place)",
                $words,
            ));
    }

    /** @param array<string, mixed> $columns */
    private static function found(array $columns): FoundFinding
    {
        $row = new Row($columns);
        $details = array_filter($row->json('details'), static fn (mixed $one): bool => \is_string($one) || \is_int($one));
        /** @var array<string, string|int> $details */
        $subject = new Subject(
            SubjectType::from($row->text('subject_type')),
            $row->text('subject_id'),
            $row->text('name'),
            $row->text('within'),
            $row->text('place'),
        );

        return new FoundFinding(
            new Finding(FindingKind::from($row->text('kind')), $subject, $details, $row->texts('met'), id: $row->text('id')),
            $row->text('says'),
            $row->int('visits'),
            $row->texts('copies'),
            $row->moment('since') ?? new \DateTimeImmutable('@0'),
            $row->text('person'),
            $row->bool('aside'),
            $row->text('reason'),
            $row->text('aside_by'),
            $row->moment('until'),
        );
    }
}
