<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use OpenApi\Attributes as OA;

/** Who is signed in, and to what. */
#[OA\Schema]
final readonly class SessionView
{
    public function __construct(
        #[OA\Property]
        public string $name,
        #[OA\Property(enum: ['owner', 'editor', 'viewer'])]
        public string $role,
        #[OA\Property]
        public bool $canEdit,
        #[OA\Property]
        public string $shopName,
        #[OA\Property]
        public string $storefrontUrl,
    ) {
    }
}
