<?php

declare(strict_types=1);

namespace Lantern\Admin\Rule;

use OpenApi\Attributes as OA;

/** What there is to choose from, wherever the interface offers it. */
#[OA\Schema]
final readonly class RulesView
{
    /**
     * @param list<KindView>    $kinds
     * @param list<FillingRule> $fillings
     * @param list<ChoiceView>  $statuses
     * @param list<ChoiceView>  $collectionRules
     * @param list<PieceRule>   $pieces
     * @param list<ChoiceView>  $productSources
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: KindView::class), description: 'Of places')]
        public array $kinds,
        #[OA\Property(type: 'array', items: new OA\Items(ref: FillingRule::class), description: 'Of entries that fill themselves')]
        public array $fillings,
        #[OA\Property(description: 'How many an entry fills itself with at most')]
        public int $mostFilled,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceView::class), description: 'Of redirects')]
        public array $statuses,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceView::class), description: 'How a collection comes by its products')]
        public array $collectionRules,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PieceRule::class), description: 'What stands in pages and wide panels')]
        public array $pieces,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceView::class), description: 'Where the products of a piece come from')]
        public array $productSources,
    ) {
    }
}
