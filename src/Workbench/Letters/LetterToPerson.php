<?php

declare(strict_types=1);

namespace Lantern\Workbench\Letters;

use Symfony\Component\Uid\UuidV7;

/** To be done by a worker: somebody who works here, or shall, is written to. */
final readonly class LetterToPerson
{
    public string $id;

    /**
     * @param string                $letter invitation or password
     * @param array<string, string> $values that stand in it
     */
    public function __construct(public string $mail, public string $letter, public array $values)
    {
        $this->id = (new UuidV7())->toRfc4122();
    }
}
