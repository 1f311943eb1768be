<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\Connection;
use Lantern\Core\Redirect\Rule;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The redirects of the workbench as the management interface lists and exports them: by source, a page at a time. */
final readonly class RedirectTable
{
    public const PAGE = 100;

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /**
     * @param string      $words each stands in the source, the target or the note
     * @param string      $mark  shadowed, nowhere, unused, ended; empty: any
     * @param string|null $after id of the redirect that the page before ended with
     *
     * @return list<ListedRedirect> one more than a page where there is a next one
     */
    public function page(string $words, string $status, string $origin, string $mark, ?string $after, int $most = self::PAGE + 1, ?string $only = null): array
    {
        $where = 'true';
        $parameters = [];
        foreach (\array_slice(preg_split('/\s+/u', trim($words), -1, \PREG_SPLIT_NO_EMPTY) ?: [], 0, 6) as $n => $word) {
            $where .= " AND (r.source || ' ' || COALESCE(r.goal_address, r.goal_outside, p.title || ' ' || p.address, '') || ' ' || r.note) ILIKE :word$n";
            $parameters["word$n"] = '%'.addcslashes($word, '%_\\').'%';
        }
        if ('' !== $status) {
            $where .= ' AND r.status = :status';
            $parameters['status'] = (int) $status;
        }
        if ('' !== $origin) {
            $where .= ' AND r.origin = :origin';
            $parameters['origin'] = $origin;
        }
        $where .= match ($mark) {
            'shadowed' => ' AND s.id IS NOT NULL',
            'nowhere' => ' AND '.self::NOWHERE,
            'ended' => ' AND r.until <= now()',
            'unused' => ' AND NOT EXISTS (SELECT FROM journal.visit v WHERE v.address = r.source AND NOT r.is_prefix OR r.is_prefix AND v.address LIKE r.source || \'/%\')',
            default => '',
        };
        if (null !== $only) {
            $where .= ' AND r.id = :only';
            $parameters['only'] = $only;
        }
        if (null !== $after) {
            $where .= ' AND (r.source, r.id) > (SELECT source, id FROM redirect WHERE id = :after)';
            $parameters['after'] = $after;
        }
        $nowhere = self::NOWHERE;
        $rows = $this->connection->fetchAllAssociative(<<<SQL
            SELECT r.*, p.title AS place_title, p.address AS place_address, s.title AS shadow, $nowhere AS nowhere,
                (SELECT COALESCE(sum(v.count), 0) FROM journal.visit v WHERE v.address = ANY (CASE WHEN r.is_prefix THEN ARRAY(SELECT DISTINCT b.address FROM journal.visit b WHERE b.address LIKE r.source || '/%') ELSE ARRAY[r.source] END) AND v.day > CURRENT_DATE - 30) AS visits,
                (SELECT max(v.day) FROM journal.visit v WHERE v.address = r.source AND NOT r.is_prefix OR r.is_prefix AND v.address LIKE r.source || '/%') AS last_visit
            FROM redirect r
            LEFT JOIN place p ON p.id = r.goal_place_id
            LEFT JOIN place s ON NOT r.is_prefix AND s.address = r.source AND s.light <> 'closed'
            WHERE $where ORDER BY r.source, r.id LIMIT $most
            SQL, $parameters);

        return array_map(static function (array $columns): ListedRedirect {
            $row = new Row($columns);
            $rule = RuleReader::fromRow($columns);
            $address = $row->textOrNull('place_address') ?? self::typed($rule);

            return new ListedRedirect($rule, $row->int('version'), $row->textOrNull('place_title') ?? $rule->goal->outside ?? $address, $rule->goal->outside ?? $address, $row->text('origin'), $row->text('note'), $row->int('visits'), $row->textOrNull('last_visit'), $row->textOrNull('shadow'), $row->bool('nowhere'));
        }, $rows);
    }

    /** @throws NotThere */
    public function one(string $id): ListedRedirect
    {
        return $this->page('', '', '', '', null, 1, $id)[0] ?? throw NotThere::redirect();
    }

    public function count(): int
    {
        $count = $this->connection->fetchOne('SELECT count(*) FROM redirect');

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
                $rule = RuleReader::fromRow($columns);
                $after = ['source' => $row->text('source'), 'id' => $row->text('id')];
                yield new ExportedRedirect($rule, $row->textOrNull('place_address') ?? $rule->goal->outside ?? self::typed($rule), $row->text('note'));
            }
        } while ([] !== $rows);
    }

    /** An address that a redirect leads to, as a person would type it. */
    private static function typed(Rule $rule): string
    {
        $address = $rule->goal->address;

        return null === $address ? '' : $address->path.($rule->prefix ? '/*' : '').('' === $rule->goal->query ? '' : '?'.$rule->goal->query);
    }

    /** Whose target is closed, or not there. */
    private const NOWHERE = "(r.status <> 410 AND (r.goal_place_id IS NOT NULL AND (p.id IS NULL OR p.light = 'closed') OR r.goal_address IS NOT NULL AND NOT r.is_prefix AND NOT EXISTS (SELECT FROM place t WHERE t.address = r.goal_address AND t.light <> 'closed') AND NOT EXISTS (SELECT FROM redirect t WHERE t.source = r.goal_address)))";
}
