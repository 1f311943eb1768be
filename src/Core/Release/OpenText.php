<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

use Lantern\Core\Words\Words;

/** Words that visitors can read. */
final readonly class OpenText
{
    public function __construct(public string $title, public Words $words)
    {
    }
}
