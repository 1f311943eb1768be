<?php

declare(strict_types=1);

namespace Lantern\Reading\Catalogue;

/** What the catalogue has for pieces. */
final readonly class FoundProducts
{
    /**
     * @param array<string, list<string>> $ids    of products by piece, in the order of each
     * @param list<string>                $within ids of the categories that were asked for, and of all below them
     */
    public function __construct(public array $ids, public array $within)
    {
    }
}
