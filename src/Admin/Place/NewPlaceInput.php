<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Admin\Http\Id;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\Title;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class NewPlaceInput
{
    public function __construct(
        #[OA\Property]
        public PlaceKind $kind,
        #[OA\Property, Assert\Length(max: Title::MAX_LENGTH, normalizer: 'trim')]
        public string $title,
        #[OA\Property(description: 'Id of the place that it stands below'), Id]
        public ?string $parent = null,
        #[OA\Property(description: 'Open unless something else is said')]
        public Light $light = Light::Open,
    ) {
    }
}
