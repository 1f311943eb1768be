<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** A new password, and the one before. */
#[OA\Schema]
final readonly class PasswordInput
{
    public function __construct(
        #[OA\Property, Assert\Length(max: 4096)]
        public string $old,
        #[OA\Property, Assert\Length(max: 20000)]
        public string $password,
    ) {
    }
}
