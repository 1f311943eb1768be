<?php

declare(strict_types=1);

namespace Lantern\Admin\Shop;

use OpenApi\Attributes as OA;

/** Whether something is put away. */
#[OA\Schema]
final readonly class AwayInput
{
    public function __construct(
        #[OA\Property]
        public bool $isAway,
    ) {
    }
}
