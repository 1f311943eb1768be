<?php

declare(strict_types=1);

namespace Lantern\Core\Redirect;

/** What becomes of a sheet of redirects. */
final readonly class Judgement
{
    /**
     * @param list<JudgedLine> $lines   one for each line, in its order
     * @param list<Rule>       $added   new redirects, each straight to where its chain ends; their ids are the numbers of their lines
     * @param list<Rule>       $changed redirects of the shop that would have led into a new one, and lead to its end instead
     */
    public function __construct(public array $lines, public array $added, public array $changed)
    {
    }

    public function count(LineOutcome $fate): int
    {
        return \count(array_filter($this->lines, static fn (JudgedLine $line): bool => $line->fate === $fate));
    }
}
