<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** How the shop looks on the workbench, what could be chosen instead, and what is too pale. */
#[OA\Schema]
final readonly class LooksView
{
    /**
     * @param list<TypefaceView> $typefaces
     * @param list<AdviceView>   $advice
     * @param list<LooksSetView> $sets
     */
    public function __construct(
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
            description: 'By setting, as looks_accent',
        )]
        public object $values,
        #[OA\Property(type: 'array', items: new OA\Items(ref: TypefaceView::class))]
        public array $typefaces,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: AdviceView::class),
            description: 'Colours that are not read on what lies behind them',
        )]
        public array $advice,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LooksSetView::class))]
        public array $sets,
    ) {
    }
}
