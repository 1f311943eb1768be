<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use OpenApi\Attributes as OA;

/** A secret that a device makes codes of. */
#[OA\Schema]
final readonly class FactorView
{
    public function __construct(
        #[OA\Property(description: 'To be typed, in base32 (RFC 4648, 6)')]
        public string $secret,
        #[OA\Property(description: 'To be drawn as a QR code (ISO/IEC 18004)')]
        public string $uri,
    ) {
    }
}
