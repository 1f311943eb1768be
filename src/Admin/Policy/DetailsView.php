<?php

declare(strict_types=1);

namespace Lantern\Admin\Policy;

use OpenApi\Attributes as OA;

/** What the shop says of itself. */
#[OA\Schema]
final readonly class DetailsView
{
    /**
     * @param list<DetailView> $details
     */
    public function __construct(
        #[OA\Property]
        public int $version,
        #[OA\Property(type: 'array', items: new OA\Items(ref: DetailView::class))]
        public array $details,
    ) {
    }
}
