<?php

declare(strict_types=1);

namespace Lantern\Letters;

/** To be done by a worker: somebody who works here, or shall, is written to. */
final readonly class LetterToPerson
{
    /**
     * @param string                $letter invitation or password
     * @param array<string, string> $values that stand in it
     */
    public function __construct(public string $mail, public string $letter, public array $values)
    {
    }
}
