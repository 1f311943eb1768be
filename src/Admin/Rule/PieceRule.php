<?php

declare(strict_types=1);

namespace Lantern\Admin\Rule;

use OpenApi\Attributes as OA;

/** Something that can stand in a page or a wide panel. */
#[OA\Schema]
final readonly class PieceRule
{
    /** @param list<string> $standsIn */
    public function __construct(
        #[OA\Property]
        public string $kind,
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'Whether it is a piece, and not what pieces stand in')]
        public bool $isPiece,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'The kinds that it can stand in')]
        public array $standsIn,
        #[OA\Property(description: 'Whether links stand below it')]
        public bool $holdsLinks,
        #[OA\Property(description: 'Whether it is nothing without words')]
        public bool $needsLabel,
    ) {
    }
}
