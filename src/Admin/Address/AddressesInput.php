<?php

declare(strict_types=1);

namespace Lantern\Admin\Address;

use Lantern\Admin\Http\ListSize;
use Lantern\Workbench\Addresses\AddressEditor;
use Lantern\Workbench\Addresses\AddressWish;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class AddressesInput
{
    /** @param list<WishInput> $wishes */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: WishInput::class)), ListSize(min: 1, max: AddressEditor::MOST), Assert\Valid]
        public array $wishes,
    ) {
    }

    /** @return list<AddressWish> */
    public function wishes(): array
    {
        return array_map(
            static fn (WishInput $one): AddressWish => new AddressWish($one->place, $one->seen, $one->to, $one->carryBelow),
            $this->wishes,
        );
    }
}
