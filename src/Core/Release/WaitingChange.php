<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

/** All that differs about one thing a person would name: a menu, a place, a redirect, where menus hang, the shop's details. */
final readonly class WaitingChange
{
    /** @param list<string> $sentences what changes, in the words of the interface */
    public function __construct(public Thing $subject, public string $id, public string $name, public array $sentences)
    {
    }
}
