<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** The bytes of a file. */
#[OA\Schema]
final readonly class FileView
{
    public function __construct(
        #[OA\Property(description: 'Media type')]
        public string $type,
        #[OA\Property(description: 'In bytes')]
        public int $size,
        #[OA\Property]
        public bool $isPicture,
        #[OA\Property(enum: ['shown', 'new-tab', 'download'])]
        public string $serving,
        #[OA\Property]
        public string $downloadName,
        #[OA\Property(description: 'How it is named where it is chosen as a picture; empty where it is none')]
        public string $picture,
    ) {
    }
}
