<?php

declare(strict_types=1);

namespace Lantern\Admin\Letter;

use OpenApi\Attributes as OA;

/** A mail that was kept. */
#[OA\Schema]
final readonly class MailView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property(format: 'date-time')]
        public string $at,
        #[OA\Property]
        public string $to,
        #[OA\Property]
        public string $subject,
        #[OA\Property(description: 'Its part in plain text')]
        public string $text,
    ) {
    }
}
