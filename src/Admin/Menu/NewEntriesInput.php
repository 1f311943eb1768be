<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** The shape of entries with their panels; NewEntriesReader reads it. */
#[OA\Schema(
    schema: 'NewEntriesInput',
    required: ['entries', 'at'],
    properties: [
        new OA\Property(property: 'entries', type: 'array', items: new OA\Items(ref: '#/components/schemas/EntryInput')),
        new OA\Property(
            property: 'panels',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(ref: '#/components/schemas/EntryInput'),
            description: 'By the id of the entry that they open below',
        ),
        new OA\Property(property: 'at', ref: '#/components/schemas/PositionInput'),
    ],
)]
final class NewEntriesInput
{
}
