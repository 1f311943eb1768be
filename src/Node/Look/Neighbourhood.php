<?php

declare(strict_types=1);

namespace Lantern\Node\Look;

use Lantern\Core\Address\Address;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceLookup;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\RuleLookup;
use Lantern\Reading\Places\PlaceReader;
use Lantern\Reading\Redirects\RuleReader;

/** What stands at one address, and where a redirect from there leads. Whatever is asked for beyond that is out of sight. */
final readonly class Neighbourhood implements PlaceLookup, RuleLookup
{
    private function __construct(private Address $address, private ?Place $place, private ?Rule $rule, private ?Place $goal)
    {
    }

    /**
     * @param array<string, mixed>|null $place columns of the place that stands there
     * @param array<string, mixed>|null $rule  columns of the redirect from there
     * @param array<string, mixed>|null $goal  columns of the place that it leads to
     */
    public static function of(Address $address, ?array $place, ?array $rule, ?array $goal): self
    {
        return new self(
            $address,
            null === $place ? null : PlaceReader::fromRow($place),
            null === $rule ? null : RuleReader::readable([$rule])[0] ?? null,
            null === $goal ? null : PlaceReader::fromRow($goal),
        );
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
