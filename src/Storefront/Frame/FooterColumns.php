<?php

declare(strict_types=1);

namespace Lantern\Storefront\Frame;

use Lantern\Core\Menu\HungMenu;
use Lantern\Reading\Frame\Frame;
use Lantern\Storefront\Http\Visit;
use Lantern\Storefront\Pieces\Layouts;
use Lantern\Storefront\Pieces\LayoutStyles;
use Lantern\Storefront\Pieces\ShownLayout;

/** The columns of the footer: those of pieces laid out, and the widths of all. */
final readonly class FooterColumns
{
    public function __construct(private Frame $frame)
    {
    }

    /** @return array<string, ShownLayout> by bay */
    public function shown(Visit $visit): array
    {
        return array_map(
            static fn ($column): ShownLayout => Layouts::shown($visit, $column),
            $visit->isLive()
                ? $this->frame->keptColumns($visit->copy, $visit->visitor)
                : $this->frame->columns($visit->copy, $visit->visitor),
        );
    }

    /**
     * @param array<string, HungMenu>    $frame   by bay
     * @param array<string, ShownLayout> $columns by bay
     */
    public static function styles(array $frame, array $columns): string
    {
        $there = array_filter(
            $frame,
            static fn (HungMenu $hung): bool => $hung->bay->isFooter() && ([] !== $hung->menu->entries || isset($columns[$hung->bay->id])),
        );
        $shares = implode(' ', array_map(static fn (HungMenu $hung): string => "minmax(0,{$hung->bay->share}fr)", $there));

        return ([] === $there ? '' : ".shop-footer__columns{--columns:$shares}").LayoutStyles::of($columns);
    }
}
