<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Admin\Http\Id;
use Lantern\Core\Place\ClosedAnswer;
use OpenApi\Attributes as OA;

/** Where the visitors of a place go that is no more. */
#[OA\Schema]
final readonly class OnwardInput
{
    public function __construct(
        #[OA\Property]
        public ClosedAnswer $answer,
        #[OA\Property(description: 'Id of the place that visitors are led to, with elsewhere'), Id]
        public ?string $to = null,
    ) {
    }
}
