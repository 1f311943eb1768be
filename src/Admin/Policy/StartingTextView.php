<?php

declare(strict_types=1);

namespace Lantern\Admin\Policy;

use Lantern\Admin\Place\PlaceBrief;
use OpenApi\Attributes as OA;

/** A policy that every shop needs, with words to begin with. */
#[OA\Schema]
final readonly class StartingTextView
{
    public function __construct(
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $title,
        #[OA\Property]
        public string $says,
        #[OA\Property(description: 'The policy that was made from it; null: it is missing')]
        public ?PlaceBrief $policy,
        #[OA\Property]
        public bool $inFooter,
    ) {
    }
}
