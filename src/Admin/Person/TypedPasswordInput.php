<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** The password that one has now, typed once more. */
#[OA\Schema]
final readonly class TypedPasswordInput
{
    public function __construct(
        #[OA\Property, Assert\Length(max: 4096)]
        public string $password = '',
    ) {
    }
}
