<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use OpenApi\Attributes as OA;

/** Which of the things that were asked about have findings. */
#[OA\Schema]
final readonly class MarksView
{
    public function __construct(
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'integer'),
            description: 'How many, by id; those without are left out',
        )]
        public object $counts,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'integer'),
            description: 'Of these, by which visitors find nothing',
        )]
        public object $broken,
    ) {
    }
}
