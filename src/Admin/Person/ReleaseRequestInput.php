<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use Lantern\Workbench\People\ReleaseRequests;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** What those who may publish should know. */
#[OA\Schema]
final readonly class ReleaseRequestInput
{
    public function __construct(
        #[OA\Property, Assert\Length(max: ReleaseRequests::MOST_WORDS)]
        public string $note = '',
    ) {
    }
}
