<?php

declare(strict_types=1);

namespace Lantern\Workbench\Audit;

use Doctrine\DBAL\Connection;
use Lantern\Core\Person\Actor;
use Lantern\Reading\Sql\Row;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\RequestStack;

/** What was done here that somebody may want to know of later. It is added to and read; the database refuses everything else. */
final readonly class AuditLog
{
    public const PAGE = 100;

    /** So many kinds of attempts (what, from where, at whom) are told apart in a day. */
    private const MOST_ATTEMPTS = 500;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private RequestStack $requests,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param string                    $what  such as sign-in, invited, role-changed, published
     * @param array<string, int|string> $about
     */
    public function add(Actor $by, string $what, array $about = []): void
    {
        $this->connection->executeQuery(<<<'SQL'
            SELECT journal.add_audit(CAST(? AS uuid), ?, ?, CAST(? AS jsonb), ?)
            SQL, [$by->id, $by->name, $what, self::json($about), $this->network()]);
    }

    /**
     * What somebody outside can make happen again and again. It is counted for each network and each person who works here, by day; an
     * entry is made of the first, the tenth, the hundredth of them and so on, and of no more than `MOST_ATTEMPTS` kinds of them in a
     * day. So what a stranger can add stays small, however long it goes on.
     *
     * @param string                    $account mail address that was tried; one of nobody who works here counts as none
     * @param array<string, int|string> $about
     */
    public function addAttempt(Actor $by, string $what, string $account = '', array $about = []): void
    {
        $day = $this->clock->now()->format('Y-m-d');
        $this->connection->transactional(function () use ($by, $what, $account, $about, $day): void {
            $known = '' === $account
                ? false
                : $this->connection->fetchOne(<<<'SQL'
                    SELECT mail FROM journal.person WHERE mail = ? AND left_at IS NULL
                    SQL, [mb_strtolower(trim($account))]);
            $account = \is_string($known) ? $known : '';
            $times = $this->connection->fetchOne(<<<'SQL'
                INSERT INTO journal.attempt (day, what, network, account, person_id, times)
                SELECT CAST(:day AS date), :what, :network, :account, COALESCE(CAST(:person AS uuid),
                    '00000000-0000-0000-0000-000000000000'), 1
                WHERE EXISTS (SELECT FROM journal.attempt WHERE day = CAST(:day AS date) AND what = :what AND network = :network
                    AND account = :account)
                OR (SELECT count(*) FROM (SELECT FROM journal.attempt WHERE day = CAST(:day AS date) LIMIT :most) AS few) < :most
                ON CONFLICT (day, what, network, account, person_id) DO UPDATE SET times = attempt.times + 1 RETURNING times
                SQL, [
                'day' => $day,
                'what' => $what,
                'network' => self::block($this->network()),
                'account' => $account,
                'person' => $by->id,
                'most' => self::MOST_ATTEMPTS,
            ]);
            if (is_numeric($times) && self::isTold((int) $times)) {
                $this->add($by, $what, ['as' => $account, 'times' => (int) $times] + $about);
            }
        });
    }

    /** How many attempts, of those of a day, are told: 1, 10, 100 and so on. */
    private static function isTold(int $times): bool
    {
        return 1 === preg_match('/^10*$/D', (string) $times);
    }

    /** An address of IPv6 stands for its /64, which one connection has (RFC 6177). */
    private static function block(string $network): string
    {
        $bytes = str_contains($network, ':') ? @inet_pton($network) : false;

        return false === $bytes ? $network : inet_ntop(substr($bytes, 0, 8).str_repeat("\0", 8)).'/64';
    }

    /**
     * @param string   $words  those that an entry has
     * @param int|null $before id of the entry that the page before ended with
     *
     * @return list<AuditEntry> the latest first
     */
    public function page(string $words = '', ?int $before = null, int $most = self::PAGE): array
    {
        $where = null === $before ? 'true' : 'id < :before';
        $parameters = null === $before ? [] : ['before' => $before];
        foreach (array_values(array_filter(preg_split('/\s+/u', trim($words)) ?: [])) as $n => $word) {
            if ($n < 8) {
                $where .= " AND (person || ' ' || COALESCE(person_id::text, '') || ' ' || what || ' ' || about::text || ' ' || network) "
                    ."ILIKE :word$n";
                $parameters["word$n"] = '%'.addcslashes($word, '%_\\').'%';
            }
        }

        return array_map(static function (array $columns): AuditEntry {
            $row = new Row($columns);
            $about = [];
            foreach ($row->json('about') as $name => $value) {
                $about[(string) $name] = \is_scalar($value) ? (string) $value : '';
            }

            return new AuditEntry(
                $row->int('id'),
                $row->moment('at') ?? new \DateTimeImmutable('@0'),
                $row->textOrNull('person_id'),
                $row->text('person'),
                $row->text('what'),
                $about,
                $row->text('network'),
            );
        }, $this->connection->fetchAllAssociative("SELECT * FROM journal.audit WHERE $where ORDER BY id DESC LIMIT $most", $parameters));
    }

    /**
     * What is older than the owners want it kept goes, see the house rules.
     *
     * @return int how many entries went
     */
    public function forget(): int
    {
        $gone = $this->connection->fetchOne('SELECT journal.forget_audit()');

        return is_numeric($gone) ? (int) $gone : 0;
    }

    /** Where it was done from; empty for a command or a worker. */
    private function network(): string
    {
        return (string) $this->requests->getMainRequest()?->getClientIp();
    }

    /** @param array<string, int|string> $about */
    private static function json(array $about): string
    {
        return json_encode((object) $about, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE | \JSON_UNESCAPED_UNICODE);
    }
}
