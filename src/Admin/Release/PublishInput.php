<?php

declare(strict_types=1);

namespace Lantern\Admin\Release;

use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class PublishInput
{
    public function __construct(
        #[OA\Property(description: 'The state of what waits as it was seen; where that has changed since, nothing is published'),
            Assert\Length(max: 60),]
        public string $seen,
    ) {
    }
}
