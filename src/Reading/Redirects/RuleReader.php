<?php

declare(strict_types=1);

namespace Lantern\Reading\Redirects;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\RuleLookup;
use Lantern\Core\Redirect\RuleTable;
use Lantern\Core\Redirect\SheetLine;
use Lantern\Core\Refused;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;

/** Redirects of one copy, as values of the core. */
final readonly class RuleReader implements RuleLookup
{
    private const COLUMNS = 'id, source, is_prefix, goal_place_id, goal_address, goal_query, goal_outside, status, until';

    public function __construct(private Connection $connection)
    {
    }

    public function exact(Address $address, \DateTimeImmutable $moment): ?Rule
    {
        return $this->rules('source = :source AND NOT is_prefix AND (until IS NULL OR until > :moment)', [
            'source' => $address->path, 'moment' => $moment->format(\DATE_ATOM),
        ])[0] ?? null;
    }

    public function longestPrefix(Address $address, \DateTimeImmutable $moment): ?Rule
    {
        $sources = array_map(static fn (Address $above): string => $above->path, $address->ancestors());

        return [] === $sources ? null : $this->rules('source = ANY (CAST(:sources AS text[])) AND is_prefix AND (until IS NULL OR until > '
            .':moment) ORDER BY length(source) DESC LIMIT 1', [
                'sources' => PgArray::of($sources), 'moment' => $moment->format(\DATE_ATOM),
            ])[0] ?? null;
    }

    /**
     * The redirects that lead to a place or to one of its addresses, those from these, and every prefix redirect.
     *
     * @param list<Address> $addresses
     *
     * @return list<Rule>
     */
    public function ofPlace(string $placeId, array $addresses): array
    {
        return $this->rules('goal_place_id = :place OR goal_address = ANY (CAST(:sources AS text[])) OR source = ANY (CAST(:sources AS '
            .'text[])) OR is_prefix', [
                'place' => $placeId,
                'sources' => PgArray::of(array_map(static fn (Address $address): string => $address->path, $addresses)),
            ]);
    }

    /**
     * @param list<Address> $addresses
     *
     * @return array<string, true> those from which a redirect leads on, of their own or for all below one
     */
    public function sourcesAmong(array $addresses): array
    {
        $asked = [];
        foreach ($addresses as $address) {
            foreach ([$address, ...$address->ancestors()] as $one) {
                $asked[$one->path] = true;
            }
        }
        $rules = new RuleTable($this->rules(
            'source = ANY (CAST(:sources AS text[]))',
            ['sources' => PgArray::of(array_map(strval(...), array_keys($asked)))],
        ));
        $sources = [];
        foreach ($addresses as $address) {
            if (
                null !== $rules->of($address, false)
                || array_filter($address->ancestors(), static fn (Address $above): bool => null !== $rules->of($above, true))
            ) {
                $sources[$address->path] = true;
            }
        }

        return $sources;
    }

    /** Whether an address has a redirect of its own, in force or not. */
    public function hasOne(Address $source): bool
    {
        return [] !== $this->rules('source = :source AND NOT is_prefix', ['source' => $source->path]);
    }

    /**
     * The redirects that a change of addresses has to do with: every prefix redirect, and the exact ones
     * from or to the addresses, or from below the places that are moved with all below them.
     *
     * @param list<Address> $addresses old, new and known ones
     * @param list<Address> $carried   old and new addresses of what is moved with all below
     *
     * @return list<Rule>
     */
    public function concernedBy(array $addresses, array $carried): array
    {
        $prefix = $this->rules('is_prefix', []);
        $passed = [];
        foreach ($carried as $address) {
            $passed[$address->path] = $address->path;
        }
        // What a redirect for all below one of them leads on to matters, too, chain by chain.
        do {
            $known = \count($passed);
            foreach ($prefix as $rule) {
                if (isset($passed[$rule->source->path]) && null !== $rule->goal->address) {
                    $passed[$rule->goal->address->path] = $rule->goal->address->path;
                }
            }
        } while (\count($passed) > $known);
        $exact = $this->rules(<<<'SQL'
            NOT is_prefix AND id = ANY (ARRAY(
                SELECT r.id FROM redirect r WHERE r.source = ANY (CAST(:paths AS text[]))
                UNION SELECT r.id FROM redirect r WHERE r.goal_address = ANY (CAST(:paths AS text[]))
                UNION SELECT r.id FROM unnest(CAST(:above AS text[])) path JOIN redirect r ON r.source > path COLLATE "C" || '/'
                    AND r.source < path COLLATE "C" || '0'
            ))
            SQL, [
            'paths' => PgArray::of(array_values(array_unique(array_map(
                static fn (Address $address): string => $address->path,
                $addresses,
            )))),
            'above' => PgArray::of(array_values($passed)),
        ]);

        return [...$prefix, ...$exact];
    }

    /**
     * The redirects that new ones from and to these addresses have to do with: those with the same
     * source, those that lead there, all that a chain goes on through, and every prefix rule.
     *
     * @param list<string> $wanted addresses
     * @param list<string> $except ids of redirects that are left out of it
     */
    public function around(array $wanted, array $except = []): RuleTable
    {
        $found = [];
        foreach ($this->rules('is_prefix', []) as $rule) {
            $found[$rule->id] = $rule;
        }
        $among = static fn (string $column): string => "$column = ANY (CAST(:paths AS text[]))";
        $condition = $among('source').' OR '.$among('goal_address');
        for ($round = 0; [] !== $wanted && $round < 25; ++$round) {
            $next = [];
            foreach ($this->rules("NOT is_prefix AND ($condition)", ['paths' => PgArray::of($wanted)]) as $rule) {
                if (!isset($found[$rule->id])) {
                    $found[$rule->id] = $rule;
                    $next[] = $rule->goal->address?->path;
                }
            }
            $wanted = array_values(array_unique(array_filter($next)));
            $condition = $among('source');
        }

        return new RuleTable(array_diff_key($found, array_flip($except)));
    }

    /**
     * Redirects as a person would type them.
     *
     * @param list<Rule> $rules
     *
     * @return list<SheetLine> in the same order
     */
    public function asTyped(array $rules): array
    {
        $ids = array_values(array_unique(array_filter(array_map(static fn (Rule $rule): ?string => $rule->goal->placeId, $rules))));
        $addresses = [] === $ids
            ? []
            : $this->connection->fetchAllKeyValue('SELECT id, address FROM place WHERE id = ANY (CAST(? AS uuid[]))', [PgArray::of($ids)]);
        $lines = [];
        foreach ($rules as $n => $rule) {
            $place = $addresses[$rule->goal->placeId ?? ''] ?? null;
            $lines[] = new SheetLine(
                $n + 1,
                $rule->sourceWords(),
                \is_string($place) ? $place : $rule->goalWords(),
                (string) $rule->status->value,
                $rule->until?->format(\DATE_ATOM) ?? '',
            );
        }

        return $lines;
    }

    /**
     * @param array<string, mixed> $parameters
     *
     * @return list<Rule>
     */
    private function rules(string $where, array $parameters): array
    {
        return self::readable($this->connection->fetchAllAssociative('SELECT '.self::COLUMNS." FROM redirect WHERE $where", $parameters));
    }

    /**
     * One redirect that breaks a rule, however it came here, must not take the others with it.
     *
     * @param list<array<string, mixed>> $rows
     *
     * @return list<Rule>
     */
    public static function readable(array $rows): array
    {
        $rules = [];
        foreach ($rows as $columns) {
            try {
                $rules[] = self::fromRow($columns);
            } catch (Refused) {
                continue;
            }
        }

        return $rules;
    }

    /**
     * @param array<string, mixed> $columns
     *
     * @throws Refused where the row breaks a rule of the core
     */
    public static function fromRow(array $columns): Rule
    {
        $row = new Row($columns);
        $goal = match (true) {
            null !== $row->textOrNull('goal_place_id') => Goal::place($row->text('goal_place_id')),
            null !== $row->textOrNull('goal_address') => Goal::address(
                Address::fromNormal($row->text('goal_address')),
                $row->text('goal_query'),
            ),
            null !== $row->textOrNull('goal_outside') => Goal::outside($row->text('goal_outside')),
            default => Goal::nowhere(),
        };

        return new Rule(
            $row->text('id'),
            Address::fromNormal($row->text('source')),
            $row->bool('is_prefix'),
            $goal,
            RedirectStatus::from($row->int('status')),
            $row->moment('until'),
        );
    }
}
