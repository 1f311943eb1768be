<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

/** All that differs about one thing a person would name: a menu, a place, a redirect, a bay. */
final readonly class WaitingChange
{
    /**
     * @param string          $kind      menu, place, redirect, bay or setting
     * @param list<string>    $sentences what changes, in the words of the interface
     * @param list<RowChange> $rows
     */
    public function __construct(
        public string $kind,
        public string $id,
        public string $name,
        public array $sentences,
        public array $rows,
    ) {
    }
}
