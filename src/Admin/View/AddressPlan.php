<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use OpenApi\Attributes as OA;

/** What a change of address does, said before it is done. */
#[OA\Schema]
final readonly class AddressPlan
{
    /**
     * @param list<string> $sentences
     * @param list<MovedPlace> $moved
     */
    public function __construct(
        #[OA\Property(description: 'The address in normal form')]
        public string $address,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $sentences,
        #[OA\Property(type: 'array', items: new OA\Items(ref: MovedPlace::class))]
        public array $moved,
    ) {
    }
}
