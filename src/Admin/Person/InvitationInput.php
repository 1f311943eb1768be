<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use Lantern\Core\Person\Role;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** Whom to ask to work here. */
#[OA\Schema]
final readonly class InvitationInput
{
    public function __construct(
        #[OA\Property, Assert\Length(max: 254)]
        public string $mail,
        #[OA\Property, Assert\Length(max: 100)]
        public string $name,
        #[OA\Property(type: 'string', enum: Role::class)]
        public Role $role,
    ) {
    }
}
