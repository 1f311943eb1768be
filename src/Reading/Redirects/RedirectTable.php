<?php

declare(strict_types=1);

namespace Lantern\Reading\Redirects;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\NotThere;
use Lantern\Core\Redirect\ExportedRedirect;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Release\CopyName;
use Lantern\Reading\Places\AllOfThem;
use Lantern\Reading\Places\PlaceTable;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;
use Lantern\Reading\Sql\SqlFragment;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The redirects of the workbench as the management interface lists and exports them: by source, a page at a time. */
final readonly class RedirectTable
{
    public const PAGE = 100;

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /** Letters are found by a trigram index over this; the migration has it letter for letter. */
    public const LETTERS = "(r.source || ' ' || COALESCE(r.goal_address, r.goal_outside, '') || ' ' || r.note) COLLATE \"default\"";

    /** A word that many have is found sooner among the next so many than by its letters, and a page of them is full by then. */
    private const LOOKED_THROUGH = 4000;

    /** Of a word that fewer have, so many are put in order; where there are still more, all are walked in their order. */
    private const PUT_IN_ORDER = 20_000;

    /** What the visits of a redirect are counted under; one for all below its source has a key that is no address. */
    public const VISITED_AS = "CASE WHEN r.is_prefix THEN r.source || '/' ELSE r.source END";

    /**
     * @param string|null $after id of the redirect that the page before ended with
     *
     * @return list<ListedRedirect> one more than a page where there is a next one
     */
    public function page(RedirectFilter $filter, ?string $after, int $most = self::PAGE + 1): array
    {
        $these = self::narrowed($filter);
        if (null !== $after) {
            $these = $these->and('(r.source, r.id) > (SELECT source, id FROM redirect WHERE id = :after)', ['after' => $after]);
        }
        $letters = self::letters($filter->words);
        $ordered = "SELECT r.* FROM {$these->sql}";
        if ($letters->asksForNothing()) {
            return $this->listed("$ordered ORDER BY r.source, r.id LIMIT $most", $these->parameters);
        }
        $parameters = $these->with($letters->parameters)->parameters;
        $matching = static fn (string $some): string => <<<SQL
            SELECT r.* FROM $some r LEFT JOIN place g ON g.id = r.goal_place_id WHERE {$letters->sql} ORDER BY r.source, r.id
            LIMIT $most
            SQL;
        $found = $this->listed($matching("($ordered ORDER BY r.source, r.id LIMIT ".self::LOOKED_THROUGH.')'), $parameters);
        if (\count($found) >= $most) {
            return $found;
        }
        $some = $this->connection->fetchFirstColumn(
            self::idsByLetters(\count($letters->parameters)).' LIMIT '.(self::PUT_IN_ORDER + 1),
            $letters->parameters,
        );
        if (\count($some) > self::PUT_IN_ORDER) {
            return $this->listed($matching("($ordered)"), $parameters);
        }
        $these = $these->and('r.id = ANY (CAST(:some AS uuid[]))', ['some' => PgArray::of(array_filter($some, \is_string(...)))]);

        return $this->listed("SELECT r.* FROM {$these->sql} ORDER BY r.source, r.id LIMIT $most", $these->parameters);
    }

    /** A table of redirects r with a condition on them. */
    private static function narrowed(RedirectFilter $filter): SqlFragment
    {
        $these = \in_array($filter->mark, ['shadowed', 'nowhere'], true)
            ? new SqlFragment(<<<'SQL'
                (SELECT r.* FROM redirect_mark k JOIN redirect r ON r.id = k.redirect_id WHERE k.mark = :mark
                ORDER BY k.source, k.redirect_id) r WHERE true
                SQL, ['mark' => $filter->mark])
            : new SqlFragment('redirect r WHERE true');
        if (null !== $filter->status) {
            $these = $these->and('r.status = :status', ['status' => $filter->status->value]);
        }
        if ('' !== $filter->origin) {
            $these = $these->and('r.origin = :origin', ['origin' => $filter->origin]);
        }

        return match ($filter->mark) {
            'ended' => $these->and('r.until <= journal.moment()'),
            'unused' => $these->
                and(
                    'NOT EXISTS (SELECT FROM visited v WHERE v.address = r.source AND NOT r.is_prefix) AND NOT EXISTS (SELECT FROM visited '
                        ."v WHERE v.address = r.source || '/' AND r.is_prefix)",
                ),
            default => $these,
        };
    }

    /** A condition on a redirect r and the place g that it leads to; it asks for one parameter a word. */
    private static function letters(string $words): SqlFragment
    {
        $letters = new SqlFragment('true');
        foreach (\array_slice(preg_split('/\s+/u', trim($words), -1, \PREG_SPLIT_NO_EMPTY) ?: [], 0, 6) as $n => $word) {
            $letters = $letters->
                and(
                    '('.self::LETTERS." ILIKE :word$n OR ".str_replace('p.', 'g.', PlaceTable::LETTERS)." ILIKE :word$n)",
                    ["word$n" => '%'.addcslashes($word, '%_\\').'%'],
                );
        }

        return $letters;
    }

    /** A query for the ids of the redirects that have all of so many words, each by the index of its letters. */
    private static function idsByLetters(int $words): string
    {
        return implode(
            ' INTERSECT ',
            array_map(
                static fn (int $n): string => '(SELECT r.id FROM redirect r WHERE '.self::LETTERS
                    ." ILIKE :word$n UNION SELECT t.id FROM place p JOIN redirect t ON t.goal_place_id = p.id WHERE ".PlaceTable::LETTERS
                    ." ILIKE :word$n)",
                range(0, $words - 1),
            ),
        );
    }

    /**
     * @param string               $redirects  a query for the rows of a page
     * @param array<string, mixed> $parameters
     *
     * @return list<ListedRedirect>
     */
    private function listed(string $redirects, array $parameters): array
    {
        $visitedAs = self::VISITED_AS;
        $rows = $this->connection->fetchAllAssociative(<<<SQL
            WITH r AS ($redirects)
            SELECT r.*, p.title AS place_title, p.address AS place_address, s.title AS shadow, r.until <= journal.moment() AS ended,
                EXISTS (SELECT FROM redirect_mark k WHERE k.redirect_id = r.id AND k.mark = 'nowhere') AS nowhere,
                (SELECT COALESCE(sum(v.count), 0) FROM visit v WHERE v.address = $visitedAs AND v.day > journal.utc_day() - 30) AS visits,
                (SELECT v.last_day FROM visited v WHERE v.address = $visitedAs) AS last_visit
            FROM r
            LEFT JOIN place p ON p.id = r.goal_place_id
            LEFT JOIN place s ON NOT r.is_prefix AND s.address = r.source AND s.light <> 'closed'
            ORDER BY r.source, r.id
            SQL, $parameters);

        return array_map(static function (array $columns): ListedRedirect {
            $row = new Row($columns);
            $rule = RuleReader::readable([$columns])[0] ?? self::unreadable($row);
            $address = $row->textOrNull('place_address') ?? $rule->goalWords();

            return new ListedRedirect(
                $rule,
                $row->int('version'),
                $row->textOrNull('place_title') ?? $address,
                $address,
                $row->text('origin'),
                $row->text('note'),
                $row->int('visits'),
                $row->textOrNull('last_visit'),
                $row->textOrNull('shadow'),
                $row->bool('nowhere'),
                $row->bool('ended'),
            );
        }, $rows);
    }

    /** A row that breaks a rule, however it came here, is listed as one that leads nowhere, so that somebody can mend it. */
    private static function unreadable(Row $row): Rule
    {
        return new Rule(
            $row->text('id'),
            Address::fromNormal($row->text('source')),
            $row->bool('is_prefix'),
            Goal::nowhere(),
            RedirectStatus::Gone,
        );
    }

    /** All that a filter leaves: how many, and the ids of the first of them. */
    public function allOf(RedirectFilter $filter, int $most): AllOfThem
    {
        $these = self::narrowed($filter);
        $letters = self::letters($filter->words);
        $sql = "SELECT r.source, r.id FROM {$these->sql}";
        if (!$letters->asksForNothing()) {
            $sql = <<<SQL
                SELECT r.source, r.id FROM (SELECT r.* FROM {$these->sql}) r LEFT JOIN place g ON g.id = r.goal_place_id
                WHERE {$letters->sql}
                SQL;
        }
        $parameters = $these->with($letters->parameters)->parameters;
        $count = $this->connection->fetchOne("SELECT count(*) FROM ($sql) these", $parameters);
        $ids = $this->connection->fetchFirstColumn("SELECT id FROM ($sql) these ORDER BY source, id LIMIT $most", $parameters);

        return new AllOfThem(is_numeric($count) ? (int) $count : 0, array_values(array_filter($ids, \is_string(...))));
    }

    /** @throws NotThere */
    public function one(string $id): ListedRedirect
    {
        return $this->listed('SELECT * FROM redirect WHERE id = :id', ['id' => $id])[0] ?? throw NotThere::redirect();
    }

    public function count(): int
    {
        $count = $this->connection->fetchOne('SELECT COALESCE(sum(more), 0) FROM redirect_tally');

        return is_numeric($count) ? (int) $count : 0;
    }

    /** @return \Generator<int, ExportedRedirect> all of one copy, by source, a few thousand at a time */
    public function all(CopyName $copy = CopyName::Workbench): \Generator
    {
        $name = $copy->value;
        $after = ['source' => '', 'id' => '00000000-0000-0000-0000-000000000000'];
        do {
            $rows = $this->connection->fetchAllAssociative(<<<SQL
                SELECT r.*, p.address AS place_address FROM $name.redirect r LEFT JOIN $name.place p ON p.id = r.goal_place_id
                WHERE (r.source, r.id) > (:source, CAST(:id AS uuid)) ORDER BY r.source, r.id LIMIT 5000
                SQL, $after);
            foreach ($rows as $columns) {
                $row = new Row($columns);
                $after = ['source' => $row->text('source'), 'id' => $row->text('id')];
                $rule = RuleReader::readable([$columns])[0] ?? null;
                if (null === $rule) {
                    continue;
                }
                yield new ExportedRedirect($rule, $row->textOrNull('place_address') ?? $rule->goalWords(), $row->text('note'));
            }
        } while ([] !== $rows);
    }
}
