<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** A menu by its name. */
#[OA\Schema]
final readonly class MenuName
{
    /**
     * @param list<string> $bays
     */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $name,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $bays,
        #[OA\Property(enum: ['menu', 'column'], description: 'A column is laid out in pieces, and hangs in the footer only')]
        public string $kind,
    ) {
    }
}
