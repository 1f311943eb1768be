<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

use Doctrine\DBAL\Connection;
use Lantern\Reading\Copies\Row;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\RequestStack;

/** What was done here that somebody may want to know of later. It is added to and read; the database refuses everything else. */
final readonly class AuditLog
{
    public const PAGE = 100;

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection, private RequestStack $requests)
    {
    }

    /**
     * @param string                    $person by name; empty where nobody was signed in
     * @param string                    $what   such as sign-in, invited, role-changed, published
     * @param array<string, int|string> $about
     */
    public function add(string $person, string $what, array $about = []): void
    {
        $this->connection->executeStatement('INSERT INTO journal.audit (person, what, about, network) VALUES (?, ?, CAST(? AS jsonb), ?)', [$person, $what, self::json($about), $this->network()]);
    }

    /**
     * The same, where somebody outside can make it happen again and again: once in five minutes.
     *
     * @param array<string, int|string> $about
     */
    public function addOnce(string $person, string $what, array $about = []): void
    {
        $this->connection->executeStatement(<<<'SQL'
            INSERT INTO journal.audit (person, what, about, network) SELECT :person, :what, CAST(:about AS jsonb), :network
            WHERE NOT EXISTS (SELECT FROM journal.audit WHERE at > now() - interval '5 minutes' AND what = :what AND person = :person AND about = CAST(:about AS jsonb) AND network = :network)
            SQL, ['person' => $person, 'what' => $what, 'about' => self::json($about), 'network' => $this->network()]);
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
                $where .= " AND (person || ' ' || what || ' ' || about::text || ' ' || network) ILIKE :word$n";
                $parameters["word$n"] = '%'.addcslashes($word, '%_\\').'%';
            }
        }

        return array_map(static function (array $columns): AuditEntry {
            $row = new Row($columns);
            $about = [];
            foreach ($row->json('about') as $name => $value) {
                $about[(string) $name] = \is_scalar($value) ? (string) $value : '';
            }

            return new AuditEntry($row->int('id'), $row->moment('at') ?? new \DateTimeImmutable('@0'), $row->text('person'), $row->text('what'), $about, $row->text('network'));
        }, $this->connection->fetchAllAssociative("SELECT * FROM journal.audit WHERE $where ORDER BY id DESC LIMIT $most", $parameters));
    }

    /**
     * What is older than the owner wants it kept goes.
     *
     * @return int how many entries went
     */
    public function forget(int $days): int
    {
        $gone = $this->connection->fetchOne('SELECT journal.forget_audit(CAST(? AS integer))', [$days]);

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
