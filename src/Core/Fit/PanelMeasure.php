<?php

declare(strict_types=1);

namespace Lantern\Core\Fit;

use Lantern\Core\Looks\Looks;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Button;
use Lantern\Core\Piece\Cards;
use Lantern\Core\Piece\Carousel;
use Lantern\Core\Piece\Column;
use Lantern\Core\Piece\Divider;
use Lantern\Core\Piece\File;
use Lantern\Core\Piece\Links;
use Lantern\Core\Piece\OneProduct;
use Lantern\Core\Piece\Picture;
use Lantern\Core\Piece\ProductForm;
use Lantern\Core\Piece\Products;
use Lantern\Core\Piece\ResolvedPiece;
use Lantern\Core\Piece\Tabs;
use Lantern\Core\Piece\Text;
use Lantern\Core\Piece\Title;

/** How high pieces stand at a width, in the looks of the shop. The measures are those of the storefront's styles on a desk. */
final class PanelMeasure
{
    /** Drawn pictures and those of products are four to three. */
    private const PICTURE = 3 / 4;

    /** What the highest column begins with. */
    public ?string $blame = null;
    private float $most = 0.0;
    private readonly Face $words;
    private readonly Face $display;
    private readonly float $type;
    private readonly float $line;
    private readonly float $link;
    private readonly float $title;
    private readonly float $button;
    private readonly float $basket;
    private readonly float $slide;

    public function __construct(Looks $looks)
    {
        $this->words = Face::text($looks->body);
        $this->display = Face::display($looks->heading);
        $this->type = $looks->type();
        $this->line = 1.55 * $this->type;
        $this->link = $this->line + 0.4 * $this->type;
        $this->title = 1.2 * $this->type;
        $edge = 2 * $looks->edge->pixels();
        $this->button = $this->line + 1.1 * $this->type + $edge;
        $this->basket = $this->line + 1.2 * $this->type + $edge;
        $this->slide = 13.5 * $this->type;
    }

    /** @param list<ResolvedPiece> $bands */
    public function bands(array $bands, float $width): float
    {
        $height = $this->type * max(0, \count($bands) - 1);
        foreach ($bands as $band) {
            $piece = $band->piece instanceof Band ? $band->piece : new Band();
            $shares = array_map(
                static fn (ResolvedPiece $column): int => $column->piece instanceof Column ? $column->piece->share : 1,
                $band->children,
            );
            $room = $width - $piece->gap * max(0, \count($shares) - 1);
            $highest = 0.0;
            foreach ($band->children as $n => $column) {
                $high = $this->column($column->children, $room * $shares[$n] / max(1, array_sum($shares)));
                if ($high > $this->most) {
                    [$this->most, $this->blame] = [$high, $this->named($column->children)];
                }
                $highest = max($highest, $high);
            }
            $height += $highest + 2 * $piece->room;
        }

        return $height;
    }

    /** @param list<ResolvedPiece> $pieces */
    private function column(array $pieces, float $width): float
    {
        $height = 0.0;
        $margin = 0.0;
        foreach ($pieces as $n => $piece) {
            [$above, $own, $below] = $this->piece($piece, $width);
            // Margins that meet are the larger of the two (CSS 2.1, 8.3.1).
            $height += (0 === $n ? 0.0 : max($margin, $above)) + $own;
            $margin = $below;
        }

        return $height;
    }

    /** @return array{float, float, float} room above, height, room below */
    private function piece(ResolvedPiece $one, float $width): array
    {
        $piece = $one->piece;

        return match (true) {
            $piece instanceof Title => [0.0, $this->title * $this->lines($one->label, $width), 0.4 * $this->type],
            $piece instanceof Divider => [1.2 * $this->type, 1.0, 1.2 * $this->type],
            $piece instanceof Picture => [0.0, $width * $piece->share / 100 * self::PICTURE, $this->type],
            $piece instanceof Button => [$this->type, $this->button, $this->type],
            $piece instanceof File => [$this->type, $this->link, $this->type],
            $piece instanceof Text => [0.0, $this->text($piece->html, $width), $this->type],
            $piece instanceof Links => [
                0.0,
                array_sum(array_map(fn ($link): float => $this->link * (1 + \count($link->children)), $one->links)),
                $this->type,
            ],
            $piece instanceof Products => $this->products($piece, \count($one->placeIds), $width),
            $piece instanceof Cards => [
                0.0,
                $this->grid(
                    \count($one->placeIds),
                    $width,
                    11.5 * $this->type,
                    1.4 * $this->type,
                    1.8 * $this->type,
                    $this->title + 2 * $this->line,
                ),
                0.0,
            ],
            $piece instanceof OneProduct => [
                0.0,
                $width * self::PICTURE + $this->type + 1.3 * $this->title + 2 * $this->line + (
                    $piece->price ? $this->line : 0
                ) + ($piece->basket ? $this->basket : 0),
                0.0,
            ],
            $piece instanceof Tabs => $this->tabs($one, $piece, $width),
            $piece instanceof Carousel => [
                0.0,
                2.6 * $this->type + 0.6 * $this->type + max([
                    0.0,
                    ...array_map(
                        fn (ResolvedPiece $child): float => $this->piece($child, min($this->slide, 0.7 * $width))[1],
                        $one->children,
                    ),
                ]),
                0.0,
            ],
            default => [0.0, 0.0, 0.0],
        };
    }

    /** @return array{float, float, float} */
    private function products(Products $piece, int $number, float $width): array
    {
        $below = 2 * $this->title + ($piece->price ? 1.15 * $this->line : 0.0) + ($piece->basket ? $this->basket : 0.0);

        return match ($piece->form) {
            ProductForm::Links => [0.0, $this->link * $number, $this->type],
            ProductForm::Carousel => [
                0.0,
                2.6 * $this->type + 0.6 * $this->type + min($this->slide, 0.7 * $width) * self::PICTURE + 0.6 * $this->type + $below,
                0.0,
            ],
            ProductForm::Row => [0.0, $this->grid($number, $width, 0.0, 1.4 * $this->type, 0.0, $below), 0.0],
            ProductForm::Grid => [0.0, $this->grid($number, $width, 8.5 * $this->type, $this->type, $this->type, $below), 0.0],
        };
    }

    /**
     * @param float $least the narrowest that a cell is; 0: all stand in one row
     * @param float $below what stands below the picture of each
     */
    private function grid(int $number, float $width, float $least, float $gap, float $rowGap, float $below): float
    {
        $columns = max(1, 0.0 === $least ? $number : (int) floor(($width + $gap) / ($least + $gap)));
        $rows = (int) ceil($number / $columns);

        return $rows * ((($width - $gap * ($columns - 1)) / $columns) * self::PICTURE + 0.6 * $this->type + $below) + $rowGap * max(
            0,
            $rows - 1,
        );
    }

    /** @return array{float, float, float} */
    private function tabs(ResolvedPiece $one, Tabs $piece, float $width): array
    {
        $head = $this->line + 0.9 * $this->type + 3;
        $beside = $piece->beside ? 12.6 * $this->type : 0.0;
        $highest = 0.0;
        foreach ($one->children as $tab) {
            $highest = max($highest, $this->bands($tab->children, $width - $beside));
        }

        return [
            0.0,
            $piece->beside ? max($highest, \count($one->children) * ($head + 0.3 * $this->type)) : $head + $this->type + $highest,
            0.0,
        ];
    }

    private function text(string $html, float $width): float
    {
        $height = 0.0;
        foreach (preg_split('#</(?:p|li|h[2-4]|blockquote|tr)>#', $html) ?: [] as $part) {
            $words = trim(html_entity_decode(strip_tags($part), \ENT_QUOTES | \ENT_HTML5));
            $height += '' === $words ? 0.0 : $this->line * ceil($this->words->width($words, $this->type) / $width) + $this->type;
        }

        return max(0.0, $height - $this->type);
    }

    private function lines(string $words, float $width): float
    {
        return max(1.0, ceil($this->display->width($words, $this->type) / max(1.0, $width)));
    }

    /** @param list<ResolvedPiece> $pieces */
    private function named(array $pieces): ?string
    {
        foreach ($pieces as $piece) {
            if ('' !== $piece->label) {
                return $piece->label;
            }
        }

        return null;
    }
}
