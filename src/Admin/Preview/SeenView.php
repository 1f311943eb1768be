<?php

declare(strict_types=1);

namespace Lantern\Admin\Preview;

use OpenApi\Attributes as OA;

/** What one visitor sees otherwise than a guest today. */
#[OA\Schema]
final readonly class SeenView
{
    /**
     * @param list<string> $differences
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $differences,
    ) {
    }
}
