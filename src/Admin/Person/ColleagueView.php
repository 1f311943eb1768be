<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use Lantern\Core\Person\Role;
use OpenApi\Attributes as OA;

/** Somebody who works here, or did. */
#[OA\Schema]
final readonly class ColleagueView
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
        #[OA\Property(description: 'When they last did anything', format: 'date-time')]
        public ?string $seenAt,
        #[OA\Property(description: 'Since when they cannot sign in any more', format: 'date-time')]
        public ?string $leftAt,
        #[OA\Property(description: 'How many are open')]
        public int $sessions,
        #[OA\Property(description: 'Whether they have a second factor')]
        public bool $hasFactor,
    ) {
    }
}
