<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Lantern\Core\Redirect\Fate;
use Lantern\Core\Redirect\Judgement;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\Sheet;
use Lantern\Core\Redirect\SheetLine;
use Lantern\Core\Refused;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\UuidV7;

/** Makes redirects on the workbench, one or a hundred thousand, and takes them away. */
final readonly class RedirectEditor
{
    private const AT_ONCE = 5000;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private Copies $copies,
        private ClockInterface $clock,
        #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl,
    ) {
    }

    /**
     * What would become of these lines; nothing is stored.
     *
     * @param list<SheetLine> $lines
     */
    public function judge(array $lines): Judgement
    {
        $addresses = [];
        foreach ($lines as $line) {
            foreach ([$line->source, $line->target] as $typed) {
                $address = Sheet::address($typed, $this->storefrontUrl);
                if (null !== $address) {
                    $addresses[$address->path] = $address;
                }
            }
        }
        $addresses = array_values($addresses);
        $places = [];
        foreach (array_chunk($addresses, self::AT_ONCE) as $some) {
            $places += $this->copies->workbench->places->atAll($some);
        }

        return Sheet::judge($lines, $this->storefrontUrl, $places, $this->copies->workbench->rules->around($addresses), $this->clock->now());
    }

    /**
     * Stores the good lines, all of them or none.
     *
     * @param list<SheetLine> $lines
     * @param string          $origin person or file
     */
    public function take(array $lines, string $origin): Judgement
    {
        return $this->connection->transactional(function () use ($lines, $origin): Judgement {
            // One at a time, or two could make a circle of two halves.
            $this->connection->executeStatement("SELECT pg_advisory_xact_lock(hashtext('lantern redirects'))");
            $judgement = $this->judge($lines);
            $notes = array_column($lines, 'note');
            foreach (array_chunk($judgement->added, self::AT_ONCE) as $some) {
                $this->store(array_map(fn (Rule $rule): array => ['id' => (new UuidV7())->toRfc4122(), 'note' => $notes[(int) $rule->id] ?? '', 'origin' => $origin] + $this->row($rule), $some));
            }
            foreach (array_chunk($judgement->changed, self::AT_ONCE) as $some) {
                $this->store(array_map(fn (Rule $rule): array => ['id' => $rule->id, 'note' => '', 'origin' => $origin] + $this->row($rule), $some));
            }

            return $judgement;
        });
    }

    /**
     * Makes one redirect, as somebody typed it.
     *
     * @throws Refused with the reason
     */
    public function make(SheetLine $line): void
    {
        $judged = $this->take([$line], 'person')->lines[0];
        if (Fate::Added !== $judged->fate) {
            throw new Refused('source', $judged->words);
        }
    }

    /**
     * Gives a redirect another source, target, status, end or note.
     *
     * @throws Refused|NotThere
     */
    public function change(string $id, SheetLine $line): void
    {
        $this->connection->transactional(function () use ($id, $line): void {
            if (0 === $this->remove([$id])) {
                throw new NotThere('This redirect is no longer there. Somebody may have removed it.');
            }
            $this->make($line);
        });
    }

    /**
     * @param list<string> $ids
     *
     * @return int how many there were
     */
    public function remove(array $ids): int
    {
        return [] === $ids ? 0 : (int) $this->connection->executeStatement('DELETE FROM redirect WHERE id IN (?)', [$ids], [ArrayParameterType::STRING]);
    }

    /** @return array<string, mixed> */
    private function row(Rule $rule): array
    {
        return [
            'source' => $rule->source->path,
            'is_prefix' => $rule->prefix,
            'goal_place_id' => $rule->goal->placeId,
            'goal_address' => $rule->goal->address?->path,
            'goal_query' => $rule->goal->query,
            'goal_outside' => $rule->goal->outside,
            'status' => $rule->status->value,
            'until' => $rule->until?->format(\DATE_ATOM),
            'created_at' => $this->clock->now()->format(\DATE_ATOM),
        ];
    }

    /** @param list<array<string, mixed>> $rows */
    private function store(array $rows): void
    {
        $this->connection->executeStatement(
            'INSERT INTO redirect SELECT * FROM jsonb_populate_recordset(NULL::redirect, CAST(? AS jsonb))
            ON CONFLICT (id) DO UPDATE SET goal_place_id = excluded.goal_place_id, goal_address = excluded.goal_address, goal_query = excluded.goal_query, goal_outside = excluded.goal_outside, status = excluded.status',
            [json_encode($rows, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE)],
        );
    }
}
