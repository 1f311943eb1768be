<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Lantern\Core\Address\Address;
use Lantern\Core\Answer\PlaceLookup;
use Lantern\Core\Place\Place;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\RuleLookup;

/** What stands at one address, and where a redirect from there leads. Whatever is asked for beyond that is out of sight. */
final readonly class Neighbourhood implements PlaceLookup, RuleLookup
{
    /** Changes with everything that is published and everything that the product system says. */
    public string $version;
    private ?Place $place;
    private ?Rule $rule;
    private ?Place $goal;

    /** @param array<string, mixed> $row as FirstLook reads it */
    public function __construct(private Address $address, array $row)
    {
        $columns = static function (string $prefix) use ($row): array {
            $some = [];
            foreach ($row as $name => $value) {
                if (str_starts_with($name, $prefix)) {
                    $some[substr($name, 2)] = $value;
                }
            }

            return $some;
        };
        $this->version = (\is_string($row['release'] ?? null) ? $row['release'] : '').'.'.(\is_scalar($row['catalogue'] ?? null) ? $row['catalogue'] : '');
        $this->place = isset($row['p_id']) ? PlaceReader::fromRow($columns('p_')) : null;
        $this->rule = isset($row['r_id']) ? RuleReader::fromRow($columns('r_')) : null;
        $this->goal = isset($row['g_id']) ? PlaceReader::fromRow($columns('g_')) : null;
    }

    public function at(Address $address): ?Place
    {
        return match (true) {
            $address->equals($this->address) => $this->place,
            null !== $this->goal && $address->equals($this->goal->address) => $this->goal,
            default => throw new OutOfSight(),
        };
    }

    public function get(string $id): Place
    {
        return match (true) {
            $id === $this->goal?->id => $this->goal,
            $id === $this->place?->id => $this->place,
            default => throw new OutOfSight(),
        };
    }

    public function exact(Address $address, \DateTimeImmutable $moment): ?Rule
    {
        if (!$address->equals($this->address)) {
            throw new OutOfSight();
        }

        return true === $this->rule?->isInForce($moment) ? $this->rule : null;
    }

    public function longestPrefix(Address $address, \DateTimeImmutable $moment): ?Rule
    {
        throw new OutOfSight();
    }
}
