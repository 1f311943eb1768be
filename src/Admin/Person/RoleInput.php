<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use Lantern\Core\Person\Role;
use OpenApi\Attributes as OA;

/** What somebody may do from now on. */
#[OA\Schema]
final readonly class RoleInput
{
    public function __construct(
        #[OA\Property(type: 'string', enum: Role::class)]
        public Role $role,
    ) {
    }
}
