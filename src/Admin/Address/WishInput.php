<?php

declare(strict_types=1);

namespace Lantern\Admin\Address;

use Lantern\Admin\Http\Id;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** The wish to give a place another address. */
#[OA\Schema]
final readonly class WishInput
{
    public function __construct(
        #[OA\Property, Id]
        public string $place,
        #[OA\Property(description: 'The address that it had when this was wanted; if it has another by now, nothing is changed'),
            Assert\Length(max: 4096),]
        public string $seen,
        #[OA\Property, Assert\Length(max: 4096)]
        public string $to,
        #[OA\Property(description: 'What stands below comes along; yes where nothing is said')]
        public bool $carryBelow = true,
    ) {
    }
}
