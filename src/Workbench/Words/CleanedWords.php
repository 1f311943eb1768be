<?php

declare(strict_types=1);

namespace Lantern\Workbench\Words;

use Lantern\Core\Words\Words;

/** Words as they may be stored, and what had to be taken out of them. */
final readonly class CleanedWords
{
    /** @param list<string> $takenOut in words, such as "<script>" or "onclick"; each once */
    public function __construct(public Words $words, public array $takenOut)
    {
    }
}
