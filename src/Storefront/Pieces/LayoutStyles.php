<?php

declare(strict_types=1);

namespace Lantern\Storefront\Pieces;

use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Colours;
use Lantern\Core\Piece\Column;
use Lantern\Core\Piece\Ground;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\Picture;
use Lantern\Core\Piece\ResolvedPiece;

/** The measures and colours of one page's bands, columns and pictures as CSS. The style sheet of the shop says what is done with them. */
final readonly class LayoutStyles
{
    /** @param iterable<ShownLayout> $layouts */
    public static function of(iterable $layouts): string
    {
        $rules = '';
        foreach ($layouts as $layout) {
            foreach ($layout->pieces as $piece) {
                foreach ($piece->all() as $one) {
                    $values = self::values($one);
                    $rules .= [] === $values
                        ? ''
                        : "#p-{$one->id}{"
                            .implode(
                                ';',
                                array_map(
                                    static fn (string $name, string $value): string => "--$name:$value",
                                    array_keys($values),
                                    $values,
                                ),
                            )
                            .'}';
                }
            }
        }

        return $rules;
    }

    /** As Content-Security-Policy names it (CSP 3, 2.3.1). */
    public static function hash(string $styles): string
    {
        return '' === $styles ? '' : 'sha256-'.base64_encode(hash('sha256', $styles, true));
    }

    /** @return array<string, string> */
    private static function values(ResolvedPiece $one): array
    {
        $piece = $one->piece;

        return match (true) {
            $piece instanceof Panel => self::ground($piece->ground) + self::colours($piece->colours) + [
                'room' => "{$piece->room}px",
                'distance' => "{$piece->distance}px",
            ],
            $piece instanceof Band => self::ground($piece->ground) + self::colours($piece->colours) + [
                'room' => "{$piece->room}px",
                'gap' => "{$piece->gap}px",
                'columns' => implode(
                    ' ',
                    array_map(
                        static fn (ResolvedPiece $column): string => 'minmax(0,'
                            .($column->piece instanceof Column ? $column->piece->share : 1).'fr)',
                        $one->children,
                    ),
                ),
            ],
            $piece instanceof Picture && 100 !== $piece->share => ['share' => "{$piece->share}%"],
            default => [],
        };
    }

    /** @return array<string, string> */
    private static function ground(Ground $ground): array
    {
        return array_filter([
            'own-ground' => $ground->colour?->hex(),
            'own-picture' => null === $ground->picture ? null : "url(/-/pictures/{$ground->picture})",
        ], \is_string(...));
    }

    /** @return array<string, string> */
    private static function colours(Colours $colours): array
    {
        $values = [];
        foreach ($colours->values() as $name => $hex) {
            $values["own-$name"] = $hex;
        }

        return $values;
    }
}
