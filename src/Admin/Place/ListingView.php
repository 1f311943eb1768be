<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** What search engines are told about a place, and how they would show it. */
#[OA\Schema]
final readonly class ListingView
{
    public function __construct(
        #[OA\Property]
        public bool $listed,
        #[OA\Property(description: 'Empty: follows the title of the place')]
        public string $title,
        #[OA\Property(description: 'Empty: follows the short description')]
        public string $description,
        #[OA\Property]
        public string $address,
        #[OA\Property]
        public ListedTextView $titleShown,
        #[OA\Property]
        public ListedTextView $descriptionShown,
    ) {
    }
}
