<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Admin\Place\PlacesQuery;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class FindQuery
{
    public function __construct(
        #[OA\Property, Assert\Length(max: 2048)]
        public string $q = '',
        #[OA\Property, Assert\Choice(callback: [PlacesQuery::class, 'kinds'])]
        public string $kind = '',
    ) {
    }
}
