<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Core\Place\SearchListing;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class ListingQuery
{
    public function __construct(
        #[OA\Property, Assert\Length(max: SearchListing::MAX_TITLE)]
        public string $title = '',
        #[OA\Property, Assert\Length(max: SearchListing::MAX_DESCRIPTION)]
        public string $description = '',
    ) {
    }
}
