<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use Lantern\Core\Person\Role;
use OpenApi\Attributes as OA;

/** What somebody may do. */
#[OA\Schema]
final readonly class RoleView
{
    public function __construct(
        #[OA\Property(type: 'string', enum: Role::class)]
        public string $id,
        #[OA\Property]
        public string $words,
    ) {
    }
}
