<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Workbench\Addresses\OutsideMentions;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class OutsideMentionInput
{
    public function __construct(
        #[OA\Property(description: 'Such as advertisement, printed code or profile'),
            Assert\Length(max: OutsideMentions::MAX_LENGTH, normalizer: 'trim'),]
        public string $kind,
        #[OA\Property, Assert\Length(max: OutsideMentions::MAX_LENGTH, normalizer: 'trim')]
        public string $name,
    ) {
    }
}
