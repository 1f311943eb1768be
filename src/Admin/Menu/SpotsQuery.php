<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** Letters of a spot in a menu. */
#[OA\Schema]
final readonly class SpotsQuery
{
    public function __construct(
        #[OA\Property, Assert\Length(max: 200)]
        public string $q = '',
    ) {
    }
}
