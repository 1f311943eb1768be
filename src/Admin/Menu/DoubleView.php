<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** A sign-up of a page that has the same list as one of the footer, which stands below it. */
#[OA\Schema]
final readonly class DoubleView
{
    public function __construct(
        #[OA\Property(description: 'Of the sign-up here')]
        public string $entryId,
        #[OA\Property(description: 'Of what the other one stands in')]
        public string $menuId,
        #[OA\Property(description: 'Of the other one')]
        public string $otherId,
        #[OA\Property(description: 'For taking it out: the version that it is taken out of')]
        public int $version,
        #[OA\Property(description: 'The version of the column here')]
        public int $ownVersion,
        #[OA\Property]
        public string $words,
    ) {
    }
}
