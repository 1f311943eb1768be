<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** One thing that a change reaches, in a sentence. */
final readonly class Touch
{
    /** @param bool $breaks whether something that works now would not work any more */
    public function __construct(public string $sentence, public bool $breaks = false)
    {
    }
}
