<?php

declare(strict_types=1);

namespace Lantern\Reading\Catalogue;

/** The bits of the products that each filter of a narrowing leaves by itself. */
final readonly class NarrowedBits
{
    /**
     * @param array<string, string> $byFilter   SQL of the bits, by the key of the filter
     * @param array<string, mixed>  $parameters what all of that asks for
     */
    public function __construct(public array $byFilter, public array $parameters)
    {
    }
}
