<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

/** What can differ between two copies of the shop. */
enum Thing: string
{
    case Bay = 'bay';
    case Menu = 'menu';
    case Entry = 'entry';
    case Place = 'place';
    case Words = 'words';
    case Picks = 'picks';
    case Redirect = 'redirect';
    case Setting = 'setting';

    /** What a person would name instead: nobody speaks of a single bay, or of a text without its page. */
    public function subject(): self
    {
        return match ($this) {
            self::Entry => self::Menu,
            self::Words, self::Picks => self::Place,
            default => $this,
        };
    }
}
