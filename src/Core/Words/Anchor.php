<?php

declare(strict_types=1);

namespace Lantern\Core\Words;

/** A part of a text that a link can lead to. */
final readonly class Anchor
{
    public function __construct(public string $name, public string $heading)
    {
    }
}
