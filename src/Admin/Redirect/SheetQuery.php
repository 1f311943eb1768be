<?php

declare(strict_types=1);

namespace Lantern\Admin\Redirect;

use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class SheetQuery
{
    public function __construct(
        #[OA\Property(description: 'yes: the good lines go in; else it is only told what would become of them'),
            Assert\Choice(choices: ['', 'yes', 'no']),]
        public string $take = '',
    ) {
    }
}
