<?php

declare(strict_types=1);

namespace Lantern\Admin\Address;

use OpenApi\Attributes as OA;

/** What the storefront answers at several addresses. */
#[OA\Schema]
final readonly class AnswersView
{
    /** @param list<AnswerView> $answers */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: AnswerView::class))]
        public array $answers,
    ) {
    }
}
