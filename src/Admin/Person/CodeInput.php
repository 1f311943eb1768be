<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** What a device shows, or stands on paper. */
#[OA\Schema]
final readonly class CodeInput
{
    public function __construct(
        #[OA\Property, Assert\Length(max: 100)]
        public string $code,
    ) {
    }
}
