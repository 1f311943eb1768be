<?php

declare(strict_types=1);

namespace Lantern\Tests\Storefront\Pieces;

use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Button;
use Lantern\Core\Piece\Column;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\Piece;
use Lantern\Core\Piece\Products;
use Lantern\Core\Piece\ResolvedPiece;
use Lantern\Core\Piece\Tab;
use Lantern\Core\Piece\Tabs;
use Lantern\Core\Piece\Title;
use Lantern\Storefront\Pieces\ShownLayout;
use PHPUnit\Framework\TestCase;

final class ShownLayoutTest extends TestCase
{
    /** Below the title of a page, below the headings that stand before, and within tabs: no level is left out. */
    public function testHeadingsWithinPiecesFollowThoseAboveThem(): void
    {
        $products = self::piece('products', new Products());
        $layout = new ShownLayout([self::band($products), self::band(
            self::piece('title', new Title(2)),
            $later = self::piece('later', new Products()),
        ), self::band(
            self::piece(
                'tabs',
                new Tabs(),
                $tab = self::piece('tab', new Tab(), self::band($within = self::piece('within', new Products()))),
            ), $after = self::piece('after', new Button()),
        )], [], []);
        self::assertSame([2, 3, 3, 4, 3], array_map($layout->levelOf(...), [$products, $later, $tab, $within, $after]));
    }

    public function testAPanelStandsInTheHeaderWhereNoTitleIs(): void
    {
        $products = self::piece('products', new Products());
        self::assertSame(3, (new ShownLayout([self::piece('panel', new Panel(), self::band($products))], [], []))->levelOf($products));
    }

    private static function band(ResolvedPiece ...$pieces): ResolvedPiece
    {
        static $number = 0;
        ++$number;

        return self::piece("band-$number", new Band(), self::piece("column-$number", new Column(), ...$pieces));
    }

    private static function piece(string $id, Piece $piece, ResolvedPiece ...$children): ResolvedPiece
    {
        return new ResolvedPiece($id, $piece, '', null, null, false, array_values($children));
    }
}
