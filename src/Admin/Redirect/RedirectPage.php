<?php

declare(strict_types=1);

namespace Lantern\Admin\Redirect;

use OpenApi\Attributes as OA;

/** A page of the redirects. */
#[OA\Schema]
final readonly class RedirectPage
{
    /**
     * @param list<RedirectRow> $rows
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: RedirectRow::class))]
        public array $rows,
        #[OA\Property(description: 'Id to ask for the next page with')]
        public ?string $next,
        #[OA\Property]
        public int $total,
    ) {
    }
}
