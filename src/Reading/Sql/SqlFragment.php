<?php

declare(strict_types=1);

namespace Lantern\Reading\Sql;

/** A piece of SQL together with what its parameters stand for, so that neither gets lost on the way to a statement. */
final readonly class SqlFragment
{
    /** @param array<string, mixed> $parameters by name, as the SQL has them after a colon */
    public function __construct(public string $sql, public array $parameters = [])
    {
    }

    /**
     * @param string               $sql        a condition that has to hold besides
     * @param array<string, mixed> $parameters
     */
    public function and(string $sql, array $parameters = []): self
    {
        return new self("{$this->sql} AND $sql", self::joined($this->parameters, $parameters));
    }

    public function andAlso(self $other): self
    {
        return $this->and($other->sql, $other->parameters);
    }

    /**
     * For a statement that this becomes a part of.
     *
     * @param array<string, mixed> $parameters what the statement asks for besides
     */
    public function with(array $parameters): self
    {
        return new self($this->sql, self::joined($this->parameters, $parameters));
    }

    /**
     * Each of some words stands somewhere in an expression, whatever its case.
     *
     * @param string       $in    SQL of a text
     * @param list<string> $words
     */
    public static function contains(string $in, array $words): self
    {
        $fragment = new self('true');
        foreach ($words as $n => $word) {
            $fragment = $fragment->and("$in ILIKE :word$n", ["word$n" => '%'.addcslashes($word, '%_\\').'%']);
        }

        return $fragment;
    }

    public function asksForNothing(): bool
    {
        return [] === $this->parameters;
    }

    /**
     * @param array<string, mixed> $some
     * @param array<string, mixed> $others
     *
     * @return array<string, mixed>
     */
    private static function joined(array $some, array $others): array
    {
        foreach (array_intersect_key($some, $others) as $name => $value) {
            if ($others[$name] !== $value) {
                throw new \LogicException("Two parts of a statement mean something else by :$name.");
            }
        }

        return $some + $others;
    }
}
