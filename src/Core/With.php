<?php

declare(strict_types=1);

namespace Lantern\Core;

/**
 * For a value whose properties are those of its constructor: the same value, but for some of them. Whatever property it gets later
 * comes along, which a constructor that is called again with each of them would forget.
 */
trait With
{
    /** @param array<string, mixed> $changes by the name of the property */
    private function with(array $changes): self
    {
        return (new \ReflectionClass(self::class))->newInstanceArgs($changes + get_object_vars($this));
    }
}
