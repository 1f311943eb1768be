<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** One link to a place, wherever it stands; what a reader needs besides is in the classes below it. */
readonly class Mention
{
    /**
     * @param string      $where the menu, the text or the list it stands in; the source of a redirect; the name of an outside mention
     * @param string|null $id    of what holds it: menu, place, redirect or outside mention
     */
    public function __construct(public MentionKind $kind, public string $where, public ?string $id = null)
    {
    }
}
