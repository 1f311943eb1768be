<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

/** A choice as a visitor sees it. */
final readonly class ShownChoice
{
    /**
     * @param string $value as an address has it; a category by its id
     * @param int    $count of products that choosing it would leave
     */
    public function __construct(public string $value, public string $label, public int $count, public bool $chosen)
    {
    }
}
