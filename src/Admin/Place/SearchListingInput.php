<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Core\Place\SearchListing;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class SearchListingInput
{
    public function __construct(
        #[OA\Property]
        public bool $listed = true,
        #[OA\Property, Assert\Length(max: SearchListing::MAX_TITLE, normalizer: 'trim')]
        public string $title = '',
        #[OA\Property, Assert\Length(max: SearchListing::MAX_DESCRIPTION, normalizer: 'trim')]
        public string $description = '',
    ) {
    }

    /** @throws \Lantern\Core\Refused */
    public function listing(): SearchListing
    {
        return new SearchListing($this->listed, $this->title, $this->description);
    }
}
