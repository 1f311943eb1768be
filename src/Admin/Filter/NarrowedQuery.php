<?php

declare(strict_types=1);

namespace Lantern\Admin\Filter;

use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class NarrowedQuery
{
    public function __construct(
        #[OA\Property(description: 'What is chosen, as the address of the listing has it behind `?`'), Assert\Length(max: 8000)]
        public string $chosen = '',
        #[OA\Property(description: 'yes: all filters that there are, not only those of the listing'), Assert\Choice(choices: ['', 'yes'])]
        public string $all = '',
    ) {
    }
}
