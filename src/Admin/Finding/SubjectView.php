<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use Lantern\Core\Finding\SubjectType;
use OpenApi\Attributes as OA;

/** What a finding is about. */
#[OA\Schema]
final readonly class SubjectView
{
    public function __construct(
        #[OA\Property(type: 'string', enum: SubjectType::class)]
        public string $type,
        #[OA\Property]
        public string $id,
        #[OA\Property(description: 'What people know it by')]
        public string $name,
        #[OA\Property(description: 'Id of the menu, or of the page that is laid out, in which it stands; else empty')]
        public string $within,
        #[OA\Property(description: 'What people know that by')]
        public string $where,
        #[OA\Property(description: 'Where in this interface it is: path and query')]
        public string $spot,
    ) {
    }
}
