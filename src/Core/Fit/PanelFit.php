<?php

declare(strict_types=1);

namespace Lantern\Core\Fit;

use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Button;
use Lantern\Core\Piece\Cards;
use Lantern\Core\Piece\Carousel;
use Lantern\Core\Piece\Column;
use Lantern\Core\Piece\Divider;
use Lantern\Core\Piece\File;
use Lantern\Core\Piece\Links;
use Lantern\Core\Piece\OneProduct;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\Picture;
use Lantern\Core\Piece\ProductForm;
use Lantern\Core\Piece\Products;
use Lantern\Core\Piece\ResolvedPiece;
use Lantern\Core\Piece\Tabs;
use Lantern\Core\Piece\Text;
use Lantern\Core\Piece\Title;

/**
 * Whether a wide panel is seen whole in a window of 720 pixels, and which column is to blame where it is not. The measures
 * are those of the storefront's styles on a desk; a browser test holds the two against each other.
 */
final readonly class PanelFit
{
    /** Type size of the storefront, in pixels; the measures below are in it where the styles say rem. */
    private const TYPE = 17.0;
    /** What a window on a desk has at least today, in pixels. */
    public const WINDOW = 720;
    /** How far down the header reaches, with its notice line. */
    private const HEADER = 106;
    private const SHEET = 72 * self::TYPE - 2;
    private const LINE = 1.55 * self::TYPE;
    private const LINK = self::LINE + 0.4 * self::TYPE;
    private const TITLE = 1.2 * self::TYPE;
    /** Drawn pictures and those of products are four to three. */
    private const PICTURE = 3 / 4;
    private const BETWEEN_BANDS = self::TYPE;
    private const BUTTON = self::LINE + 1.1 * self::TYPE + 2;
    private const BASKET = self::LINE + 1.2 * self::TYPE + 2;
    private const SLIDE = 13.5 * self::TYPE;

    /**
     * @param float       $height of the panel, in pixels
     * @param string|null $blame  what the highest column begins with, where the panel reaches too far down
     */
    private function __construct(public float $height, public bool $fits, public ?string $blame)
    {
    }

    /** @param ResolvedPiece $panel as a visitor gets it */
    public static function of(ResolvedPiece $panel): self
    {
        $piece = $panel->piece instanceof Panel ? $panel->piece : new Panel();
        $blame = null;
        $most = 0.0;
        $height = 2 * $piece->room + 2 + self::bands($panel->children, self::SHEET - 2 * $piece->room, $blame, $most);
        $fits = self::HEADER + $piece->distance + $height <= self::WINDOW;

        return new self($height, $fits, $fits ? null : $blame);
    }

    /** Said to the person who lays it out; the empty text where all is seen. */
    public function words(): string
    {
        return $this->fits ? '' : \sprintf('In a window of %d px the panel reaches below its lower edge. The column with %s is the highest: take something out of it, or make it wider.', self::WINDOW, null === $this->blame ? 'the most pieces' : "“{$this->blame}”");
    }

    /** @param list<ResolvedPiece> $bands */
    private static function bands(array $bands, float $width, ?string &$blame, float &$most): float
    {
        $height = self::BETWEEN_BANDS * max(0, \count($bands) - 1);
        foreach ($bands as $band) {
            $piece = $band->piece instanceof Band ? $band->piece : new Band();
            $shares = array_map(static fn (ResolvedPiece $column): int => $column->piece instanceof Column ? $column->piece->share : 1, $band->children);
            $room = $width - $piece->gap * max(0, \count($shares) - 1);
            $highest = 0.0;
            foreach ($band->children as $n => $column) {
                $high = self::column($column->children, $room * $shares[$n] / max(1, array_sum($shares)), $blame, $most);
                if ($high > $most) {
                    [$most, $blame] = [$high, self::named($column->children)];
                }
                $highest = max($highest, $high);
            }
            $height += $highest + 2 * $piece->room;
        }

        return $height;
    }

    /** @param list<ResolvedPiece> $pieces */
    private static function column(array $pieces, float $width, ?string &$blame, float &$most): float
    {
        $height = 0.0;
        $margin = 0.0;
        foreach ($pieces as $n => $piece) {
            [$above, $own, $below] = self::piece($piece, $width, $blame, $most);
            // Margins that meet are the larger of the two (CSS 2.1, 8.3.1).
            $height += (0 === $n ? 0.0 : max($margin, $above)) + $own;
            $margin = $below;
        }

        return $height;
    }

    /** @return array{float, float, float} room above, height, room below */
    private static function piece(ResolvedPiece $one, float $width, ?string &$blame, float &$most): array
    {
        $piece = $one->piece;

        return match (true) {
            $piece instanceof Title => [0.0, self::TITLE * self::lines($one->label, $width), 0.4 * self::TYPE],
            $piece instanceof Divider => [1.2 * self::TYPE, 1.0, 1.2 * self::TYPE],
            $piece instanceof Picture => [0.0, $width * $piece->share / 100 * self::PICTURE, self::TYPE],
            $piece instanceof Button => [self::TYPE, self::BUTTON, self::TYPE],
            $piece instanceof File => [self::TYPE, self::LINK, self::TYPE],
            $piece instanceof Text => [0.0, self::text($piece->html, $width), self::TYPE],
            $piece instanceof Links => [0.0, array_sum(array_map(static fn ($link): float => self::LINK * (1 + \count($link->children)), $one->links)), self::TYPE],
            $piece instanceof Products => self::products($piece, \count($one->placeIds), $width),
            $piece instanceof Cards => [0.0, self::grid(\count($one->placeIds), $width, 11.5 * self::TYPE, 1.4 * self::TYPE, 1.8 * self::TYPE, self::TITLE + 2 * self::LINE), 0.0],
            $piece instanceof OneProduct => [0.0, $width * self::PICTURE + self::TYPE + 1.3 * self::TITLE + 2 * self::LINE + ($piece->price ? self::LINE : 0) + ($piece->basket ? self::BASKET : 0), 0.0],
            $piece instanceof Tabs => self::tabs($one, $piece, $width, $blame, $most),
            $piece instanceof Carousel => [0.0, 2.6 * self::TYPE + 0.6 * self::TYPE + max([0.0, ...array_map(static fn (ResolvedPiece $child): float => self::piece($child, min(self::SLIDE, 0.7 * $width), $blame, $most)[1], $one->children)]), 0.0],
            default => [0.0, 0.0, 0.0],
        };
    }

    /** @return array{float, float, float} */
    private static function products(Products $piece, int $number, float $width): array
    {
        $below = 2 * self::TITLE + ($piece->price ? 1.15 * self::LINE : 0.0) + ($piece->basket ? self::BASKET : 0.0);

        return match ($piece->form) {
            ProductForm::Links => [0.0, self::LINK * $number, self::TYPE],
            ProductForm::Carousel => [0.0, 2.6 * self::TYPE + 0.6 * self::TYPE + min(self::SLIDE, 0.7 * $width) * self::PICTURE + 0.6 * self::TYPE + $below, 0.0],
            ProductForm::Row => [0.0, self::grid($number, $width, 0.0, 1.4 * self::TYPE, 0.0, $below), 0.0],
            ProductForm::Grid => [0.0, self::grid($number, $width, 8.5 * self::TYPE, self::TYPE, self::TYPE, $below), 0.0],
        };
    }

    /**
     * @param float $least the narrowest that a cell is; 0: all stand in one row
     * @param float $below what stands below the picture of each
     */
    private static function grid(int $number, float $width, float $least, float $gap, float $rowGap, float $below): float
    {
        $columns = max(1, 0.0 === $least ? $number : (int) floor(($width + $gap) / ($least + $gap)));
        $rows = (int) ceil($number / $columns);

        return $rows * ((($width - $gap * ($columns - 1)) / $columns) * self::PICTURE + 0.6 * self::TYPE + $below) + $rowGap * max(0, $rows - 1);
    }

    /** @return array{float, float, float} */
    private static function tabs(ResolvedPiece $one, Tabs $piece, float $width, ?string &$blame, float &$most): array
    {
        $head = self::LINE + 0.9 * self::TYPE + 3;
        $beside = $piece->beside ? 12.6 * self::TYPE : 0.0;
        $highest = 0.0;
        foreach ($one->children as $tab) {
            $highest = max($highest, self::bands($tab->children, $width - $beside, $blame, $most));
        }

        return [0.0, $piece->beside ? max($highest, \count($one->children) * ($head + 0.3 * self::TYPE)) : $head + self::TYPE + $highest, 0.0];
    }

    private static function text(string $html, float $width): float
    {
        $height = 0.0;
        foreach (preg_split('#</(?:p|li|h[2-4]|blockquote|tr)>#', $html) ?: [] as $part) {
            $words = trim(html_entity_decode(strip_tags($part), \ENT_QUOTES | \ENT_HTML5));
            $height += '' === $words ? 0.0 : self::LINE * ceil(Face::text()->width($words, self::TYPE) / $width) + self::TYPE;
        }

        return max(0.0, $height - self::TYPE);
    }

    private static function lines(string $words, float $width): float
    {
        return max(1.0, ceil(Face::display()->width($words, self::TYPE) / max(1.0, $width)));
    }

    /** @param list<ResolvedPiece> $pieces */
    private static function named(array $pieces): ?string
    {
        foreach ($pieces as $piece) {
            if ('' !== $piece->label) {
                return $piece->label;
            }
        }

        return null;
    }
}
