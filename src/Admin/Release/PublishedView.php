<?php

declare(strict_types=1);

namespace Lantern\Admin\Release;

use OpenApi\Attributes as OA;

/** The release that publishing made; null where nothing waited. */
#[OA\Schema]
final readonly class PublishedView
{
    public function __construct(
        #[OA\Property]
        public ?int $number,
    ) {
    }
}
