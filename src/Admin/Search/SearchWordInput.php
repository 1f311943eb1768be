<?php

declare(strict_types=1);

namespace Lantern\Admin\Search;

use Lantern\Admin\Http\Id;
use Lantern\Core\Search\SearchWords;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** Where words lead that visitors look for. */
#[OA\Schema]
final readonly class SearchWordInput
{
    public function __construct(
        #[OA\Property, Assert\NotBlank(normalizer: 'trim'), Assert\Length(max: SearchWords::MAX_LENGTH)]
        public string $words,
        #[OA\Property(description: 'Null: they are looked for again'), Id]
        public ?string $placeId = null,
    ) {
    }
}
