<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\RuleLookup;
use Lantern\Core\Redirect\RuleTable;

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

        return [] === $sources ? null : $this->rules('source IN (:sources) AND is_prefix AND (until IS NULL OR until > :moment) ORDER BY length(source) DESC LIMIT 1', [
            'sources' => $sources, 'moment' => $moment->format(\DATE_ATOM),
        ])[0] ?? null;
    }

    /**
     * The redirects that a change of address from one to the other has to do with.
     *
     * @param list<Address> $newAddresses
     *
     * @return list<Rule>
     */
    public function concernedBy(Address $from, array $newAddresses): array
    {
        return $this->rules('source IN (:sources) OR goal_address = :from OR goal_address LIKE :below', [
            'sources' => array_map(static fn (Address $address): string => $address->path, $newAddresses),
            'from' => $from->path,
            'below' => addcslashes($from->path, '%_\\').'/%',
        ]);
    }

    /**
     * The redirects that new ones from and to these addresses have to do with: those with the same
     * source, those that lead there, all that a chain goes on through, and every prefix rule.
     *
     * @param list<Address> $addresses
     */
    public function around(array $addresses): RuleTable
    {
        $wanted = array_values(array_unique(array_map(static fn (Address $address): string => $address->path, $addresses)));
        $found = [];
        foreach ($this->rules('is_prefix', []) as $rule) {
            $found[$rule->id] = $rule;
        }
        $among = static fn (string $column): string => "$column IN (SELECT jsonb_array_elements_text(CAST(:paths AS jsonb)))";
        $condition = $among('source').' OR '.$among('goal_address');
        for ($round = 0; [] !== $wanted && $round < 25; ++$round) {
            $next = [];
            foreach ($this->rules("NOT is_prefix AND ($condition)", ['paths' => json_encode($wanted, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE)]) as $rule) {
                if (!isset($found[$rule->id])) {
                    $found[$rule->id] = $rule;
                    $next[] = $rule->goal->address?->path;
                }
            }
            $wanted = array_values(array_unique(array_filter($next)));
            $condition = $among('source');
        }

        return new RuleTable($found);
    }

    /**
     * @param array<string, mixed> $parameters
     *
     * @return list<Rule>
     */
    private function rules(string $where, array $parameters): array
    {
        $types = isset($parameters['sources']) ? ['sources' => ArrayParameterType::STRING] : [];

        return array_map(self::fromRow(...), $this->connection->fetchAllAssociative('SELECT '.self::COLUMNS." FROM redirect WHERE $where", $parameters, $types));
    }

    /** @param array<string, mixed> $columns */
    public static function fromRow(array $columns): Rule
    {
        $row = new Row($columns);
        $goal = match (true) {
            null !== $row->textOrNull('goal_place_id') => Goal::place($row->text('goal_place_id')),
            null !== $row->textOrNull('goal_address') => Goal::address(Address::fromNormal($row->text('goal_address')), $row->text('goal_query')),
            null !== $row->textOrNull('goal_outside') => Goal::outside($row->text('goal_outside')),
            default => Goal::nowhere(),
        };

        return new Rule($row->text('id'), Address::fromNormal($row->text('source')), $row->bool('is_prefix'), $goal, RedirectStatus::from($row->int('status')), $row->moment('until'));
    }
}
