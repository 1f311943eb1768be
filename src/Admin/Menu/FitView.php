<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** Whether what the header shows has room there. */
#[OA\Schema]
final readonly class FitView
{
    /**
     * @param list<string> $wraps
     */
    public function __construct(
        #[OA\Property(description: 'The narrowest window, in pixels, in which its first level stands on one line')]
        public int $needs,
        #[OA\Property(description: 'Whether there is such a window')]
        public bool $ever,
        #[OA\Property]
        public ?string $widest,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $wraps,
        #[OA\Property(description: 'Whether all of it fits on a usual desk')]
        public bool $onADesk,
        #[OA\Property(description: 'Empty where all fits')]
        public string $words,
    ) {
    }
}
