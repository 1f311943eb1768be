<?php

declare(strict_types=1);

namespace Lantern\Workbench\Tidying;

use Doctrine\DBAL\Connection;
use Lantern\Core\Person\SessionRule;
use Lantern\Core\Shop\ShopDetail;
use Lantern\Reading\Copies\Copies;
use Lantern\Workbench\Audit\AuditLog;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Ends what the journal need not keep for ever: counts of visits after as many days as the shop says, traces of work after a while. */
final readonly class JournalTidier
{
    /** What leads back from an edit, and what was told of jobs. */
    private const DAYS_OF_WORK = 90;

    /** A node that was away for longer finds everything changed. */
    private const DAYS_OF_NEWS = 7;

    /** Deleted in parts, so that nobody waits for long. */
    private const AT_ONCE = 20_000;

    /** The link of a letter is good for thirty of them. */
    private const DAYS_TO_SAY_YES = 31;

    public function __construct(
        private Copies $copies,
        private ClockInterface $clock,
        private AuditLog $audit,
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
    ) {
    }

    /** @return array<string, int> how many rows went, by what they were */
    public function tidy(): array
    {
        $now = $this->clock->now();
        // A worker goes on for an hour, and the shop may have changed its mind.
        $this->copies->live->settings->forget();
        $days = (int) ($this->copies->live->settings->all()->get(ShopDetail::DaysToKeep->value) ?: ShopDetail::KEPT_OTHERWISE);
        $lastDay = ['before' => $now->modify("-$days days")->format('Y-m-d')];
        $work = ['before' => $now->modify('-'.self::DAYS_OF_WORK.' days')->format(\DATE_ATOM)];
        $gone = [
            'visits' => $this->delete('journal.visit', 'day < :before', $lastDay),
            'last visits' => $this->delete('journal.visited', 'last_day < :before', $lastDay),
            'missed searches' => $this->delete('journal.missed_search', 'day < :before', $lastDay),
            'missed visits' => $this->delete('journal.missed_visit', 'day < :before', $lastDay),
            // Identifiers tell their moment (RFC 9562, 5.7).
            'steps in menus' => $this->delete(
                'journal.step',
                "id < CAST(lpad(to_hex(CAST(extract(epoch FROM CAST(:before AS timestamptz)) * 1000 AS bigint)), 12, '0') || "
                    ."'00000000000000000000' AS uuid)",
                $work,
            ),
            'edits' => $this->delete('journal.edit', 'made_at < :before', $work),
            'jobs' => $this->delete('journal.job', 'ended_at < :before', $work),
            'news of products' => $this->delete(
                'catalogue.change',
                'at < :before',
                ['before' => $now->modify('-'.self::DAYS_OF_NEWS.' days')->format(\DATE_ATOM)],
            ),
            'news of the workbench' => $this->delete(
                'journal.news',
                'at < :before',
                ['before' => $now->modify('-1 day')->format(\DATE_ATOM)],
            ),
            'previews' => $this->delete('journal.preview_key', 'until < :before', ['before' => $now->format(\DATE_ATOM)]),
            // An address that nobody has said yes to is none of the shop's.
            'unanswered sign-ups' => $this->delete(
                'journal.subscriber',
                "state = 'asked' AND asked_at < :before",
                ['before' => $now->modify('-'.self::DAYS_TO_SAY_YES.' days')->format(\DATE_ATOM)],
            ),
            'kept mails' => $this->delete('journal.mail', 'at < :before', $work),
            'what a mailing service was told' => $this->delete('journal.told_service', 'at < :before', $work),
            'links of letters' => $this->delete(
                'journal.password_link',
                'until < :before',
                ['before' => $now->format(\DATE_ATOM)],
            ) + $this->delete(
                'journal.invitation',
                'until < :before',
                ['before' => $now->modify('-30 days')->format(\DATE_ATOM)],
            ),
            'what was done' => $this->audit->forget(),
            'attempts' => $this->delete('journal.attempt', 'day < :before', ['before' => $now->modify('-1 day')->format('Y-m-d')]),
            'letters that were sent' => $this->delete('journal.letter_sent', 'at < :before', $work),
            'sessions that are over' => $this->delete(
                'journal.own_session',
                'begun_at < :before',
                ['before' => $now->modify('-'.SessionRule::ABSOLUTE.' seconds')->format(\DATE_ATOM)],
            ),
            'networks that signed up' => $this->delete(
                'journal.sign_up_asked',
                'at < :before',
                ['before' => $now->modify('-1 day')->format(\DATE_ATOM)],
            ),
            // Of those whose links nobody has any more, too.
            'hosts to be patient with' => $this->delete(
                'journal.outside_host',
                'patient_until < :before',
                ['before' => $now->modify('-1 day')->format(\DATE_ATOM)],
            ),
            // What was set aside until a day counts again from then on, and needs no note of it.
            'notes of what was set aside' => $this->delete('journal.set_aside', 'until < :before', $work),
            'counts of limits' => $this->delete(
                'journal.cache_items',
                'item_lifetime + item_time < :before',
                ['before' => $now->getTimestamp()],
            ),
            'sessions' => $this->delete('journal.session', 'sess_lifetime < :before', ['before' => $now->getTimestamp()]),
        ];
        // How many redirects there are is one sum again.
        $this->connection->executeStatement(<<<'SQL'
            WITH told AS (DELETE FROM journal.redirect_tally RETURNING more) INSERT INTO journal.redirect_tally SELECT sum(more)
            FROM told HAVING count(*) > 0
            SQL);

        return $gone;
    }

    /** @param array<string, int|string> $parameters */
    private function delete(string $table, string $where, array $parameters): int
    {
        $gone = 0;
        do {
            $part = (int) $this->connection->executeStatement(
                "DELETE FROM $table WHERE ctid = ANY (ARRAY(SELECT ctid FROM $table WHERE $where LIMIT ".self::AT_ONCE.'))',
                $parameters,
            );
            $gone += $part;
        } while (self::AT_ONCE === $part);

        return $gone;
    }
}
