<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Workbench\Words\WordsCleaner;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class WordsInput
{
    public function __construct(
        #[OA\Property, Assert\Length(max: WordsCleaner::MAX_BYTES)]
        public string $html,
    ) {
    }
}
