<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use Lantern\Core\Person\Role;
use OpenApi\Attributes as OA;

/** Somebody who is asked to work here and has not come yet. */
#[OA\Schema]
final readonly class InvitedView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $mail,
        #[OA\Property(type: 'string', enum: Role::class)]
        public string $role,
        #[OA\Property(description: 'Who asked')]
        public string $by,
        #[OA\Property(format: 'date-time')]
        public string $until,
    ) {
    }
}
