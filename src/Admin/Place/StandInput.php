<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Admin\Http\Id;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class StandInput
{
    public function __construct(
        #[OA\Property(description: 'Id of the sibling that it stands before; null: at the end'), Id]
        public ?string $before = null,
    ) {
    }
}
