<?php

declare(strict_types=1);

namespace Lantern\Reading\News;

use Doctrine\DBAL\Connection;
use Lantern\Reading\Sql\Row;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * What others change while a page stands open. A mark is a snapshot of the database (pg_current_snapshot) with its
 * moment: transactions do not end in the order of any number, so only a snapshot tells which of them were seen.
 */
final readonly class WorkbenchNews
{
    public const MARK = '/^\d{1,12}@\d{1,20}:\d{1,20}:[\d,]*$/D';

    /** A page that was away for longer asks for everything. In seconds; news is kept for a day. */
    private const REACH = 12 * 3600;

    /** More than these, and everything is taken to have changed. */
    private const MOST = 500;

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /**
     * @param string|null $mark null: only a mark is wanted
     * @param string      $page what this page changed itself is no news to it
     */
    public function since(?string $mark, string $page): ChangedThings
    {
        [$at, $snapshot] = explode('@', $mark ?? '0@1:1:', 2);
        $rows = $this->connection->fetchAllAssociative(<<<'SQL'
            SELECT floor(extract(epoch FROM journal.moment()))::bigint AS now, pg_current_snapshot()::text AS snapshot, n.about, n.id
            FROM (VALUES (1)) AS one LEFT JOIN LATERAL (
                SELECT DISTINCT about, id FROM journal.news
                WHERE tx >= pg_snapshot_xmin(CAST(:since AS pg_snapshot)) AND NOT pg_visible_in_snapshot(tx, CAST(:since AS pg_snapshot))
                AND (page = '' OR page <> :page) AND :asked
                LIMIT :most
            ) n ON true
            SQL, ['since' => $snapshot, 'page' => $page, 'asked' => null === $mark ? 'false' : 'true', 'most' => self::MOST + 1]);
        $first = new Row($rows[0] ?? []);
        $changed = [];
        foreach ($rows as $columns) {
            $row = new Row($columns);
            if (null !== $row->textOrNull('about')) {
                $changed[] = new ChangedThing($row->text('about'), $row->textOrNull('id'));
            }
        }
        $everything = null !== $mark && ($first->int('now') - (int) $at > self::REACH || \count($changed) > self::MOST);

        return new ChangedThings($first->int('now').'@'.$first->text('snapshot'), $everything, $everything ? [] : $changed);
    }
}
