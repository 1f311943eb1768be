<?php

declare(strict_types=1);

namespace Lantern\Admin\Policy;

use OpenApi\Attributes as OA;

/** The policies that the shop has and has not. */
#[OA\Schema]
final readonly class PoliciesView
{
    /**
     * @param list<StartingTextView> $texts
     * @param list<FooterView> $footers
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: StartingTextView::class))]
        public array $texts,
        #[OA\Property(type: 'array', items: new OA\Items(ref: FooterView::class))]
        public array $footers,
        #[OA\Property]
        public string $suggestedFooter,
    ) {
    }
}
