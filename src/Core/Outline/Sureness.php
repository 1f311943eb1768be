<?php

declare(strict_types=1);

namespace Lantern\Core\Outline;

/** How sure it is that words mean a place. */
enum Sureness: string
{
    /** Its address, or its very title. */
    case Certain = 'certain';
    /** The same words otherwise put, or all of the one within the other. */
    case Likely = 'likely';
    /** Much the same letters. */
    case Unsure = 'unsure';

    public function words(): string
    {
        return match ($this) {
            self::Certain => 'the same words',
            self::Likely => 'very likely',
            self::Unsure => 'perhaps',
        };
    }
}
