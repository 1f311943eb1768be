<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use OpenApi\Attributes as OA;

/** What is one's own. */
#[OA\Schema]
final readonly class AccountView
{
    /** @param list<OwnSessionView> $sessions */
    public function __construct(
        #[OA\Property]
        public string $mail,
        #[OA\Property(description: 'Whether one has a second factor')]
        public bool $hasFactor,
        #[OA\Property(description: 'Whether everybody here needs one')]
        public bool $factorIsRequired,
        #[OA\Property(description: 'How many recovery codes are left')]
        public int $codesLeft,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: OwnSessionView::class),
            description: 'The browsers that one is signed in with, the last used first',
        )]
        public array $sessions,
    ) {
    }
}
