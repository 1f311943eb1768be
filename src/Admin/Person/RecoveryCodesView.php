<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use OpenApi\Attributes as OA;

/** Codes that let in once each, for when the device is lost. */
#[OA\Schema]
final readonly class RecoveryCodesView
{
    /** @param list<string> $codes */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $codes,
    ) {
    }
}
