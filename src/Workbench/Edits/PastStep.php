<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

/** Something that a person did, and can take back or make again. */
final readonly class PastStep
{
    /**
     * @param string      $sentence what was done, for a person
     * @param string|null $menuId   of a step in a menu
     */
    public function __construct(public string $id, public string $sentence, public ?string $menuId)
    {
    }
}
