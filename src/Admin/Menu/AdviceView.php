<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** A colour that is too pale, and the nearest that is not. */
#[OA\Schema]
final readonly class AdviceView
{
    public function __construct(
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'Of a band or panel: heading, text, link or pointed; of the looks: the setting')]
        public string $name,
        #[OA\Property(description: 'Null: no colour would do')]
        public ?string $colour,
    ) {
    }
}
