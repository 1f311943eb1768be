<?php

declare(strict_types=1);

namespace Lantern\Workbench\Redirects;

use Doctrine\DBAL\Connection;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\RuleTable;
use Lantern\Reading\Redirects\RuleReader;
use Lantern\Reading\Sql\PgArray;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\UuidV7;

/** Writes redirects of the workbench, however many, in a few statements. */
final readonly class RedirectRows
{
    private const AT_ONCE = 5000;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private ClockInterface $clock,
    ) {
    }

    /**
     * What goes with a change of addresses, or with the end of a place.
     *
     * @param list<Rule> $dropped
     * @param list<Rule> $changed
     * @param list<Rule> $made    without ids; each takes the place of one with the same source
     */
    public function carryOut(array $dropped, array $changed, array $made): void
    {
        $this->remove(array_map(static fn (Rule $rule): string => $rule->id, $dropped));
        $this->change($changed);
        if ([] === $made) {
            return;
        }
        $sources = array_map(static fn (Rule $rule): string => $rule->source->path, $made);
        $known = new RuleTable(array_map(RuleReader::fromRow(...), $this->connection->fetchAllAssociative(<<<'SQL'
            SELECT * FROM redirect WHERE source = ANY (CAST(? AS text[]))
            SQL, [PgArray::of($sources)])));
        $new = $again = [];
        foreach ($made as $rule) {
            $id = $known->of($rule->source, $rule->prefix)?->id;
            if (null === $id) {
                $new[] = $rule->withId((new UuidV7())->toRfc4122());
            } else {
                $again[] = $rule->withId($id);
            }
        }
        $this->add($new, 'address-change');
        $this->change($again);
    }

    /**
     * @param list<Rule>            $rules  with ids of their own
     * @param string                $origin person, address-change or file
     * @param array<string, string> $notes  by id
     */
    public function add(array $rules, string $origin, array $notes = []): void
    {
        foreach (array_chunk($rules, self::AT_ONCE) as $some) {
            $this->connection->executeStatement(
                'INSERT INTO redirect SELECT * FROM jsonb_populate_recordset(NULL::redirect, CAST(? AS jsonb))',
                [$this->json(
                    $some,
                    ['origin' => $origin, 'version' => 1, 'created_at' => $this->clock->now()->format(\DATE_ATOM)],
                    $notes,
                )],
            );
        }
    }

    /**
     * Gives redirects that are there other targets, statuses and ends.
     *
     * @param list<Rule> $rules
     */
    public function change(array $rules): void
    {
        foreach (array_chunk($rules, self::AT_ONCE) as $some) {
            $this->connection->executeStatement(<<<'SQL'
                UPDATE redirect r
                    SET source = n.source, is_prefix = n.is_prefix, goal_place_id = n.goal_place_id, goal_address = n.goal_address,
                    goal_query = n.goal_query, goal_outside = n.goal_outside, status = n.status, until = n.until, version = r.version + 1
                FROM jsonb_populate_recordset(NULL::redirect, CAST(? AS jsonb)) n WHERE r.id = n.id
                SQL, [$this->json($some, [], [])]);
        }
    }

    /**
     * @param list<string> $ids
     *
     * @return int how many there were
     */
    public function remove(array $ids): int
    {
        return [] === $ids
            ? 0
            : (int) $this->connection->executeStatement(<<<'SQL'
                DELETE FROM redirect WHERE id IN (SELECT CAST(jsonb_array_elements_text(CAST(? AS jsonb)) AS uuid))
                SQL, [json_encode($ids, \JSON_THROW_ON_ERROR)]);
    }

    /**
     * @param list<Rule>            $rules
     * @param array<string, mixed>  $besides
     * @param array<string, string> $notes
     */
    private function json(array $rules, array $besides, array $notes): string
    {
        return json_encode(array_map(static fn (Rule $rule): array => [
            'id' => $rule->id,
            'source' => $rule->source->path,
            'is_prefix' => $rule->prefix,
            'goal_place_id' => $rule->goal->placeId,
            'goal_address' => $rule->goal->address?->path,
            'goal_query' => $rule->goal->query,
            'goal_outside' => $rule->goal->outside,
            'status' => $rule->status->value,
            'until' => $rule->until?->format(\DATE_ATOM),
            'note' => $notes[$rule->id] ?? '',
        ] + $besides, $rules), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
    }
}
