<?php

declare(strict_types=1);

namespace Lantern\Reading\Releases;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\Place\Place;
use Lantern\Core\Release\Changed;
use Lantern\Core\Release\Fault;
use Lantern\Core\Release\LostLead;
use Lantern\Core\Release\OpenText;
use Lantern\Core\Release\Soundness;
use Lantern\Core\Words\Words;
use Lantern\Reading\Answers\RememberedPlaces;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Places\PlaceReader;
use Lantern\Reading\Redirects\RuleReader;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Reads what changed on the workbench, with what it reaches, and asks the core whether that is in order. */
final readonly class ChangedReader
{
    private const AT_ONCE = 2000;

    public function __construct(
        private Copies $copies,
        private ClockInterface $clock,
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
    ) {
    }

    /**
     * @param array<string, list<string>> $ids of rows that were changed or removed, by table
     *
     * @return list<Fault> of the first part that has some
     */
    public function faults(array $ids): array
    {
        foreach (['place', 'redirect'] as $table) {
            foreach (\array_slice(array_chunk($ids[$table] ?? [], self::AT_ONCE), 1) as $some) {
                $faults = $this->judged([$table => $some]);
                if ([] !== $faults) {
                    return $faults;
                }
            }
            $ids[$table] = \array_slice($ids[$table] ?? [], 0, self::AT_ONCE);
        }

        return $this->judged($ids);
    }

    /**
     * @param array<string, list<string>> $ids
     *
     * @return list<Fault>
     */
    private function judged(array $ids): array
    {
        $changed = $this->changed($ids);
        $addresses = array_map(static fn (Place $place): Address => $place->address, $changed->places);
        foreach ($changed->rules as $rule) {
            $addresses[] = $rule->source;
            if (null !== $rule->goal->address) {
                $addresses[] = $rule->goal->address;
            }
        }
        $rules = $this->copies->workbench->rules->around(array_map(static fn (Address $address): string => $address->path, $addresses));
        $places = new RememberedPlaces($this->copies->workbench->places);
        $goals = [];
        foreach ($rules->rules() as $rule) {
            if (null !== $rule->goal->placeId) {
                $goals[] = $rule->goal->placeId;
            }
        }
        $places->remember($addresses, array_values(array_unique($goals)));

        return (new Soundness($places, $rules))->faults($changed, $this->copies->workbench->settings->all()->values, $this->clock->now());
    }

    /** @param array<string, list<string>> $ids */
    private function changed(array $ids): Changed
    {
        $placeIds = $ids['place'] ?? [];
        $places = $this->copies->workbench->places->byIds($placeIds);
        $removed = array_values(array_diff($placeIds, array_map(strval(...), array_keys($places))));

        return new Changed(
            array_values($places),
            RuleReader::readable($this->rows('SELECT * FROM redirect WHERE id = ANY (CAST(:ids AS uuid[]))', $ids['redirect'] ?? [])),
            $this->lostLeads($ids['entry'] ?? [], $removed),
            array_map(PlaceReader::fromRow(...), $this->rows(<<<'SQL'
                SELECT * FROM place c WHERE (c.id = ANY (CAST(:ids AS uuid[])) OR c.closed_to = ANY (CAST(:ids AS uuid[])))
                AND c.light = 'closed' AND c.closed_answer = 'elsewhere' AND NOT EXISTS (SELECT FROM place p WHERE p.id = c.closed_to)
                SQL, $placeIds)),
            $this->openTexts(array_values(array_unique([...$ids['words'] ?? [], ...$placeIds])), [] !== ($ids['setting'] ?? [])),
            array_map(PlaceReader::fromRow(...), $this->rows(<<<'SQL'
                SELECT b.* FROM place a JOIN place b ON b.address = a.address WHERE a.id = ANY (CAST(:ids AS uuid[]))
                AND EXISTS (SELECT FROM place c WHERE c.address = a.address AND c.id <> a.id) ORDER BY b.address, b.id
                SQL, $placeIds)),
        );
    }

    /**
     * @param list<string> $entryIds
     * @param list<string> $removed  ids of places that are not there any more
     *
     * @return list<LostLead>
     */
    private function lostLeads(array $entryIds, array $removed): array
    {
        $rows = [] === $entryIds && [] === $removed ? [] : $this->connection->fetchAllAssociative(<<<'SQL'
            SELECT e.label, m.name FROM entry e JOIN menu m ON m.id = e.menu_id
            WHERE (e.id = ANY (CAST(:entries AS uuid[])) OR e.place_id = ANY (CAST(:removed AS uuid[]))) AND e.target_kind = 'place'
                AND NOT EXISTS (SELECT FROM place p WHERE p.id = e.place_id)
            ORDER BY m.name, e.position LIMIT 100
            SQL, ['entries' => PgArray::of($entryIds), 'removed' => PgArray::of($removed)]);

        return array_map(static function (array $columns): LostLead {
            $row = new Row($columns);

            return new LostLead($row->textOrNull('label') ?? 'an entry without a label', $row->text('name'));
        }, $rows);
    }

    /**
     * @param list<string> $ids
     * @param bool         $policies whether the details that fill them changed, so that all policies are concerned
     *
     * @return list<OpenText>
     */
    private function openTexts(array $ids, bool $policies): array
    {
        $texts = [];
        foreach ($this->rows(
            <<<'SQL'
                SELECT p.title, w.html FROM place p JOIN shown_words w ON w.id = p.id WHERE p.light <> 'closed'
                AND (p.id = ANY (CAST(:ids AS uuid[]))
                SQL
                .($policies ? " OR p.kind = 'policy'" : '').") AND w.html LIKE '%<span data-blank=%' ORDER BY p.title",
            $ids,
            $policies,
        ) as $columns) {
            $row = new Row($columns);
            $texts[] = new OpenText($row->text('title'), new Words($row->text('html')));
        }

        return $texts;
    }

    /**
     * @param list<string> $ids
     *
     * @return list<array<string, mixed>>
     */
    private function rows(string $sql, array $ids, bool $evenWithout = false): array
    {
        return [] === $ids && !$evenWithout ? [] : $this->connection->fetchAllAssociative($sql, ['ids' => PgArray::of($ids)]);
    }
}
