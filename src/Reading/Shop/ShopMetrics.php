<?php

declare(strict_types=1);

namespace Lantern\Reading\Shop;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** How the shop and its work stand, in numbers, for whoever watches over the servers. Each is one index or a small table away. */
final readonly class ShopMetrics
{
    /** By name of the metric (Prometheus, "Metric and label naming"): what it is, its type, and a query for label, value. */
    private const ALL = [
        'lantern_release_number' => ['The latest release.', 'gauge', "SELECT '', COALESCE(max(number), 0) FROM journal.release"],
        'lantern_release_timestamp_seconds' => ['When it was made.', 'gauge', <<<'SQL'
            SELECT '', COALESCE(extract(epoch FROM max(released_at)), 0) FROM journal.release
            SQL],
        'lantern_waiting_rows' => ['Rows of the workbench that were touched since.', 'gauge', "SELECT '', count(*) FROM journal.touched"],
        'lantern_findings' => ['What the link check has found and nobody set aside, by copy.', 'gauge', <<<'SQL'
            SELECT 'copy="' || copy || '"', count(*) FROM journal.finding GROUP BY copy ORDER BY copy
            SQL],
        'lantern_jobs' => ['Long work, by state.', 'gauge', <<<'SQL'
            SELECT 'state="' || state || '"', count(*) FROM journal.job GROUP BY state ORDER BY state
            SQL],
        'lantern_messages_waiting' => ['Messages that no worker has done yet, by queue.', 'gauge', <<<'SQL'
            SELECT 'queue="' || queue_name || '"', count(*) FROM journal.message WHERE delivered_at IS NULL AND queue_name <> 'failed'
            AND available_at <= journal.moment() AT TIME ZONE 'UTC' GROUP BY queue_name ORDER BY queue_name
            SQL],
        'lantern_messages_failed' => ['Messages that failed however often they were tried, and wait for an owner.', 'gauge', <<<'SQL'
            SELECT '', count(*) FROM journal.message WHERE queue_name = 'failed'
            SQL],
        'lantern_oldest_message_seconds' => ['How long the oldest of them has waited.', 'gauge', <<<'SQL'
            SELECT '', COALESCE(extract(epoch FROM journal.moment() AT TIME ZONE 'UTC' - min(available_at)), 0) FROM journal.message
            WHERE delivered_at IS NULL AND queue_name <> 'failed' AND available_at <= journal.moment() AT TIME ZONE 'UTC'
            SQL],
        'lantern_sessions' => ['Browsers that people are signed in with.', 'gauge', "SELECT '', count(*) FROM journal.own_session"],
        'lantern_sign_ins_failed_today' => ['Attempts to sign in that failed or were held back, by the days of UTC.', 'gauge', <<<'SQL'
            SELECT '', COALESCE(sum(times), 0) FROM journal.attempt WHERE day = journal.utc_day()
            AND what IN ('sign-in-failed', 'sign-in-held-back', 'factor-wrong', 'factor-held-back')
            SQL],
        'lantern_visits_today' => ['Visits counted today, by the days of UTC.', 'gauge', <<<'SQL'
            SELECT '', COALESCE(sum(count), 0) FROM journal.visit WHERE day = journal.utc_day()
            SQL],
        'lantern_missed_visits_today' => ['Visits that found nothing.', 'gauge', <<<'SQL'
            SELECT '', COALESCE(sum(count), 0) FROM journal.missed_visit WHERE day = journal.utc_day()
            SQL],
    ];

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /** In the text format of Prometheus, version 0.0.4. */
    public function text(): string
    {
        $text = '';
        foreach (self::ALL as $name => [$says, $type, $sql]) {
            $text .= "# HELP $name $says\n# TYPE $name $type\n";
            foreach ($this->connection->fetchAllNumeric($sql) as [$label, $value]) {
                $text .= $name.('' === $label || !\is_string($label) ? '' : '{'.$label.'}').' '
                    .(is_numeric($value) ? (string) (0 + $value) : '0')."\n";
            }
        }

        return $text;
    }
}
