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
        $known = $rule->prefix ? $this->prefix[$rule->source->path] ?? null : $this->exact[$rule->source->path] ?? null;
        if (null !== $known) {
            throw new Refused('source', \sprintf('%s has a redirect already, %s to %s. Change that one instead.', $rule->sourceWords(), $known->status->words(), self::goalWords($known)));
        }
        if ($rule->prefix) {
            $this->prefix[$rule->source->path] = $rule;
        } else {
            $this->exact[$rule->source->path] = $rule;
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
