<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** The words of a place. */
#[OA\Schema]
final readonly class WordsView
{
    /**
     * @param list<PlaceBrief> $links
     * @param list<AnchorView> $anchors
     * @param list<BlankView> $blanks
     * @param list<string> $emptyBlanks
     * @param list<string> $takenOut
     */
    public function __construct(
        #[OA\Property]
        public int $version,
        #[OA\Property(description: 'Links and pictures of this shop refer to places, as place:ID')]
        public string $html,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: PlaceBrief::class),
            description: 'The places that it refers to, as far as they are there',
        )]
        public array $links,
        #[OA\Property(type: 'array', items: new OA\Items(ref: AnchorView::class))]
        public array $anchors,
        #[OA\Property(type: 'array', items: new OA\Items(ref: BlankView::class), description: 'Every blank that a text can have')]
        public array $blanks,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'Names of those in this text that nothing fills')]
        public array $emptyBlanks,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(type: 'string'),
            description: 'What could not be stored of the text that was sent',
        )]
        public array $takenOut,
    ) {
    }
}
