<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Admin\Http\Id;
use Lantern\Admin\Http\ListSize;
use Lantern\Workbench\Places\PlaceEditor;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class PicksInput
{
    /** @param list<string> $products */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string')), ListSize(max: PlaceEditor::MAX_PICKS), Assert\All([new Id()])]
        public array $products,
    ) {
    }
}
