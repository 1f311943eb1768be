<?php

declare(strict_types=1);

namespace Lantern\Admin\Address;

use OpenApi\Attributes as OA;

/** What changes of addresses do, said before they are made. */
#[OA\Schema]
final readonly class AddressPlan
{
    /**
     * @param list<WishView>   $lines
     * @param list<string>     $sentences
     * @param list<MovedPlace> $moved
     * @param list<string>     $redirects
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: WishView::class))]
        public array $lines,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $sentences,
        #[OA\Property(type: 'array', items: new OA\Items(ref: MovedPlace::class))]
        public array $moved,
        #[OA\Property(type: 'array', description: 'Sources of the redirects that are made', items: new OA\Items(type: 'string'))]
        public array $redirects,
    ) {
    }
}
