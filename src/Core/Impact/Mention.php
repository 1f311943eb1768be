<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** One link to a place, wherever it stands. */
final readonly class Mention
{
    /**
     * @param string      $kind  entry, text, redirect, closed-place, list or outside
     * @param string      $where the menu, the text or the list it stands in; the source of a redirect; the name of an outside mention
     * @param string      $says  what a reader needs besides: the label and its trail, "a button", "advertisement"
     * @param string|null $id    of what holds it: menu, place, redirect or outside mention
     * @param string|null $spot  the entry within the menu, where it is one
     */
    public function __construct(public string $kind, public string $where, public string $says, public ?string $id = null, public ?string $spot = null)
    {
    }

    /** With what it is: "Autumn advertisement (advertisement)". */
    public function named(): string
    {
        return "{$this->where} ({$this->says})";
    }
}
