<?php

declare(strict_types=1);

namespace Lantern\Admin\Policy;

use Lantern\Admin\Http\ListSize;
use Lantern\Core\Policy\StartingText;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class PoliciesInput
{
    /** @param list<StartingText> $texts */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string', enum: StartingText::class)), ListSize(min: 1, max: 20)]
        public array $texts,
        #[OA\Property(description: 'Id of a column of the footer; null: in no menu'), Assert\Length(max: 40)]
        public ?string $footer = null,
        #[OA\Property]
        public bool $listed = true,
    ) {
    }
}
