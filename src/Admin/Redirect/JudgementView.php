<?php

declare(strict_types=1);

namespace Lantern\Admin\Redirect;

use OpenApi\Attributes as OA;

/** What becomes of a file of redirects. */
#[OA\Schema]
final readonly class JudgementView
{
    /**
     * @param list<JudgedLineView> $lines
     */
    public function __construct(
        #[OA\Property]
        public int $added,
        #[OA\Property]
        public int $already,
        #[OA\Property]
        public int $refused,
        #[OA\Property(description: 'Redirects of the shop that lead straight on to the end of a new one')]
        public int $changed,
        #[OA\Property(
            type: 'array',
            description: 'The first of each fate; the file of the refused ones has them all',
            items: new OA\Items(ref: JudgedLineView::class),
        )]
        public array $lines,
        #[OA\Property(description: 'The refused lines as CSV, each with its reason')]
        public string $refusedCsv,
    ) {
    }
}
