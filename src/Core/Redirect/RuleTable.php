<?php

declare(strict_types=1);

namespace Lantern\Core\Redirect;

use Lantern\Core\Address\Address;
use Lantern\Core\Refused;

/** All redirects of a shop, held in memory. One source stands in it once. */
final class RuleTable implements RuleLookup
{
    /** @var array<string, Rule> by source path */
    private array $exact = [];
    /** @var array<string, Rule> by source path */
    private array $prefix = [];

    /** @param iterable<Rule> $rules */
    public function __construct(iterable $rules = [])
    {
        foreach ($rules as $rule) {
            $this->add($rule);
        }
    }

    /** @throws Refused where another rule has the same source */
    public function add(Rule $rule): void
    {
        $known = $this->of($rule->source, $rule->prefix);
        if (null !== $known) {
            throw new Refused(
                'source',
                \sprintf(
                    '%s has a redirect already, %s to %s. Change that one instead.',
                    $rule->sourceWords(),
                    $known->status->words(),
                    self::goalWords($known),
                ),
            );
        }
        $this->put($rule);
    }

    /** Takes the place of another rule with the same source. */
    public function put(Rule $rule): void
    {
        if ($rule->prefix) {
            $this->prefix[$rule->source->path] = $rule;
        } else {
            $this->exact[$rule->source->path] = $rule;
        }
    }

    public function remove(Rule $rule): void
    {
        if ($rule->prefix) {
            unset($this->prefix[$rule->source->path]);
        } else {
            unset($this->exact[$rule->source->path]);
        }
    }

    public function exact(Address $address, \DateTimeImmutable $moment): ?Rule
    {
        $rule = $this->exact[$address->path] ?? null;

        return true === $rule?->isInForce($moment) ? $rule : null;
    }

    public function longestPrefix(Address $address, \DateTimeImmutable $moment): ?Rule
    {
        foreach ($address->ancestors() as $above) {
            $rule = $this->prefix[$above->path] ?? null;
            if (true === $rule?->isInForce($moment)) {
                return $rule;
            }
        }

        return null;
    }

    /** Of the prefix rules that the address stands below, in force or not, the one with the longest source. */
    public function nearestPrefix(Address $address): ?Rule
    {
        foreach ($address->ancestors() as $above) {
            if (isset($this->prefix[$above->path])) {
                return $this->prefix[$above->path];
            }
        }

        return null;
    }

    /** Whether a prefix rule leads to an address from one below its source. */
    public function isLedToByPrefix(Address $address): bool
    {
        foreach ($this->prefix as $rule) {
            if (null !== $rule->goal->address && $address->isBelow($rule->goal->address)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Rule> whose source stands below an address */
    public function below(Address $address): array
    {
        return array_values(array_filter($this->rules(), static fn (Rule $rule): bool => $rule->source->isBelow($address)));
    }

    /** The rule with this very source, in force or not. */
    public function of(Address $source, bool $prefix): ?Rule
    {
        return $prefix ? $this->prefix[$source->path] ?? null : $this->exact[$source->path] ?? null;
    }

    /** @return list<Rule> */
    public function rules(): array
    {
        return [...array_values($this->exact), ...array_values($this->prefix)];
    }

    private static function goalWords(Rule $rule): string
    {
        return $rule->goal->address->path ?? $rule->goal->outside ?? (null !== $rule->goal->placeId ? 'a place' : 'nowhere');
    }
}
