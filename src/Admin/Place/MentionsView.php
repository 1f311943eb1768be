<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** Everything that leads to a place. */
#[OA\Schema]
final readonly class MentionsView
{
    /**
     * @param list<MentionView> $mentions
     */
    public function __construct(
        #[OA\Property(description: 'Fewest links from the front page; null: no links lead there')]
        public ?int $steps,
        #[OA\Property(type: 'array', items: new OA\Items(ref: MentionView::class))]
        public array $mentions,
    ) {
    }
}
