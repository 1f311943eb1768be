<?php

declare(strict_types=1);

namespace Lantern\Admin\Rule;

use Lantern\Reading\Places\AllOfThem;
use OpenApi\Attributes as OA;

/** All that a table is narrowed to, for whoever wants to change them at once. */
#[OA\Schema]
final readonly class AllView
{
    /** @param list<string> $ids */
    public function __construct(
        #[OA\Property]
        public int $count,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'Of as many as can be changed at once')]
        public array $ids,
    ) {
    }

    public static function of(AllOfThem $all): self
    {
        return new self($all->count, $all->ids);
    }
}
