<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** Which version of a bay or a setting was shown. */
#[OA\Schema]
final readonly class SeenVersion
{
    public function __construct(
        #[OA\Property(description: 'Such as `bay:header` or `setting:notice`'), Assert\Length(max: 120)]
        public string $of,
        #[OA\Property]
        public int $version,
    ) {
    }
}
