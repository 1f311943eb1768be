<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** What is looked for in the audit log. */
#[OA\Schema]
final readonly class AuditQuery
{
    public function __construct(
        #[OA\Property, Assert\Length(max: 200)]
        public string $q = '',
        #[OA\Property(description: 'Id of the entry that the page before ended with')]
        public ?int $before = null,
    ) {
    }
}
