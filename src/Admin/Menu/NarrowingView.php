<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Place\Place;
use OpenApi\Attributes as OA;

/** What the products of a place are narrowed to. */
#[OA\Schema]
final readonly class NarrowingView
{
    public function __construct(
        #[OA\Property(
            type: 'object',
            description: 'Values by the key of a filter; a category by its id',
            additionalProperties: new OA\AdditionalProperties(type: 'array', items: new OA\Items(type: 'string')),
        )]
        public \stdClass $choices,
        #[OA\Property(description: 'In the smallest unit of the currency')]
        public ?int $priceFrom,
        #[OA\Property]
        public ?int $priceTo,
        #[OA\Property]
        public bool $inStock,
        #[OA\Property(description: 'As it is said beside a title')]
        public string $words,
    ) {
    }

    /** @param array<string, Place> $places the categories that it may be narrowed to, by id */
    public static function of(Narrowing $narrowing, array $places): self
    {
        return new self(
            (object) $narrowing->choices,
            $narrowing->priceFrom,
            $narrowing->priceTo,
            $narrowing->inStock,
            $narrowing->words(array_map(static fn (Place $place): string => $place->title, $places)),
        );
    }
}
