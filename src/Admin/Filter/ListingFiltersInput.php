<?php

declare(strict_types=1);

namespace Lantern\Admin\Filter;

use Lantern\Admin\Http\ListSize;
use Lantern\Core\Filter\Filters;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** The filters of all listings, of search results or of one place. */
#[OA\Schema]
final readonly class ListingFiltersInput
{
    /** @param list<string>|null $filters */
    public function __construct(
        #[OA\Property(
            description: 'Keys, in their order; null: none of its own',
            type: 'array',
            items: new OA\Items(type: 'string'),
            nullable: true,
        ),
            ListSize(max: Filters::MOST),
            Assert\All([new Assert\Type('string'), new Assert\Length(max: 200)]),]
        public ?array $filters,
        #[OA\Property(description: 'Where it is no place', enum: ['everywhere', 'search']),
            Assert\Choice(choices: ['everywhere', 'search']),]
        public string $of = 'everywhere',
    ) {
    }
}
