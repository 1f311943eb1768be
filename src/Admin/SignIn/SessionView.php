<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use OpenApi\Attributes as OA;

/** Who is signed in, and to what. */
#[OA\Schema]
final readonly class SessionView
{
    public function __construct(
        #[OA\Property]
        public string $name,
        #[OA\Property(enum: ['owner', 'publisher', 'editor', 'viewer'])]
        public string $role,
        #[OA\Property]
        public bool $canEdit,
        #[OA\Property(description: 'Whether what was edited may be shown to visitors; whoever may not asks for it')]
        public bool $canPublish,
        #[OA\Property(description: 'A second factor is required, and has to be set up first')]
        public bool $needsFactor,
        #[OA\Property(description: 'Whether the shop is new, and its first steps are neither made nor put away')]
        public bool $isNew,
        #[OA\Property]
        public string $shopName,
        #[OA\Property]
        public string $storefrontUrl,
        #[OA\Property(description: 'Of the shop, in which its people type and read dates')]
        public string $timeZone,
        #[OA\Property(description: 'To be sent with every change, as X-CSRF-Token')]
        public string $csrfToken,
        #[OA\Property(description: 'To be sent with the form that signs out')]
        public string $signOutToken,
    ) {
    }
}
