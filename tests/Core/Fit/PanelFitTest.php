<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Fit;

use Lantern\Core\Fit\PanelFit;
use Lantern\Core\Looks\Looks;
use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Column;
use Lantern\Core\Piece\Divider;
use Lantern\Core\Piece\Links;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\Picture;
use Lantern\Core\Piece\Piece;
use Lantern\Core\Piece\ProductForm;
use Lantern\Core\Piece\Products;
use Lantern\Core\Piece\ResolvedPiece;
use Lantern\Core\Piece\Tab;
use Lantern\Core\Piece\Tabs;
use Lantern\Core\Piece\Text;
use Lantern\Core\Piece\Title;
use PHPUnit\Framework\TestCase;

final class PanelFitTest extends TestCase
{
    public function testItsHeightIsThatOfItsHighestColumn(): void
    {
        $links = static fn (int $number): ResolvedPiece => self::piece(
            new Links(),
            links: array_map(
                static fn (int $n): ResolvedEntry => new ResolvedEntry("l$n", "Link $n", '/', null, false, []),
                range(1, $number),
            ),
        );
        $short = self::fit(self::panel([$links(3)], [$links(2)]));
        $long = self::fit(self::panel([$links(3)], [$links(6)]));
        // A link has a line of 26.35 px and 6.8 px of room.
        self::assertEqualsWithDelta(3 * 33.15, $long->height - $short->height, 0.01);
        self::assertTrue($long->fits);
        self::assertSame('', $long->words());
    }

    public function testTheColumnToBlameIsNamed(): void
    {
        $fit = self::fit(self::panel(
            [self::piece(new Title(3), 'Short'), self::piece(new Text('<p>A few words.</p>'))],
            [self::piece(new Title(3), 'Everything we have'), self::products(new Products(most: 24), 24)],
        ));
        self::assertFalse($fit->fits);
        self::assertSame('Everything we have', $fit->blame);
        self::assertStringContainsString('“Everything we have”', $fit->words());
    }

    public function testAWiderColumnIsLowerAndSoAreFewerProducts(): void
    {
        $high = static fn (
            int $share,
            int $number,
        ): float => self::fit(self::panel(
            [self::products(new Products(most: 24), $number)],
            [self::piece(new Text('<p>x</p>'))],
            shares: [$share, 1],
        ))->height;
        self::assertLessThan($high(1, 12), $high(3, 12));
        self::assertLessThan($high(1, 12), $high(1, 4));
    }

    public function testARowIsOneRowAndTabsAreAsHighAsTheHighest(): void
    {
        $row = self::fit(self::panel([self::products(new Products(form: ProductForm::Row), 8)]))->height;
        self::assertLessThan(self::fit(self::panel([self::products(new Products(), 24)]))->height, $row);
        $tab = static fn (int $number): ResolvedPiece => self::piece(
            new Tab(),
            "Tab $number",
            [self::band([self::products(new Products(most: 24), $number)])],
        );
        $tabs = static fn (ResolvedPiece ...$all): float => self::fit(
            self::panel([self::piece(new Tabs(true), '', array_values($all))]),
        )->height;
        self::assertSame($tabs($tab(20), $tab(2)), $tabs($tab(2), $tab(20)));
        self::assertGreaterThan($tabs($tab(2), $tab(2)), $tabs($tab(2), $tab(20)));
    }

    public function testPicturesTakeTheirShare(): void
    {
        $with = static fn (int $share): float => self::fit(self::panel([
            self::piece(new Picture('a.svg', '', $share)),
            self::piece(new Divider()),
            self::piece(new Text('<p>x</p>')),
        ]))->height;
        self::assertEqualsWithDelta(2 * ($with(50) - $with(25)), $with(100) - $with(50), 0.01);
    }

    /**
     * @param list<ResolvedPiece> $first
     * @param list<ResolvedPiece> $second
     * @param list<int>           $shares
     */
    private static function panel(array $first, array $second = [], array $shares = [1, 1]): ResolvedPiece
    {
        return self::piece(new Panel(), '', [self::band($first, $second, $shares)]);
    }

    /**
     * @param list<ResolvedPiece> $first
     * @param list<ResolvedPiece> $second
     * @param list<int>           $shares
     */
    private static function band(array $first, array $second = [], array $shares = [1, 1]): ResolvedPiece
    {
        return self::piece(
            new Band(),
            '',
            [
                self::piece(new Column($shares[0]), '', $first),
                ...([] === $second ? [] : [self::piece(new Column($shares[1]), '', $second)]),
            ],
        );
    }

    private static function products(Products $piece, int $number): ResolvedPiece
    {
        return new ResolvedPiece(
            'p',
            $piece,
            '',
            null,
            null,
            false,
            placeIds: array_map(static fn (int $n): string => "p$n", range(1, $number)),
        );
    }

    /**
     * @param list<ResolvedPiece> $children
     * @param list<ResolvedEntry> $links
     */
    private static function piece(Piece $piece, string $label = '', array $children = [], array $links = []): ResolvedPiece
    {
        return new ResolvedPiece('p', $piece, $label, null, null, false, $children, $links);
    }

    private static function fit(ResolvedPiece $panel): PanelFit
    {
        return PanelFit::of($panel, Looks::of());
    }
}
