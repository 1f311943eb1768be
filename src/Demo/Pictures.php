<?php

declare(strict_types=1);

namespace Lantern\Demo;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Draws the demo shop's pictures: papers, boards, cloth, spools and tools, each different, always the same. */
final class Pictures
{
    private const WIDTH = 320;
    private const HEIGHT = 240;

    /** Colours that names of products speak of: ground, then what is drawn on it. */
    private const COLOURS = [
        'indigo' => [
            '#e9e6da',
            '#2b3a67',
            '#5d77a6',
        ], 'blue' => ['#ece8dc', '#34557f', '#c8a24a'], 'tide' => ['#e6e7df', '#1d5b63', '#6f9a98'],
        'madder' => [
            '#f0e5da',
            '#9b3b35',
            '#d08a77',
        ], 'red' => [
            '#f2e7dc',
            '#a53f31',
            '#dd9c83',
        ], 'ember' => [
            '#f1e4d2',
            '#b8552b',
            '#e2a660',
        ], 'brick' => [
            '#efe3d6',
            '#a04a38',
            '#cf9178',
        ], 'rust' => [
            '#efe4d4',
            '#8f4a2c',
            '#c88f5e',
        ], 'wine' => ['#eee3df', '#6e2338', '#a8677a'], 'oxblood' => ['#ece0da', '#5c1f24', '#96585a'],
        'moss' => [
            '#eceadb',
            '#556b34',
            '#9aa96b',
        ], 'green' => [
            '#e9ebdd',
            '#3f6b4c',
            '#93b08f',
        ], 'fern' => [
            '#e8ebdc',
            '#4e7a43',
            '#a3bd84',
        ], 'leaf' => [
            '#ecedd9',
            '#5f7d35',
            '#b1bf75',
        ], 'forest' => [
            '#e3e7da',
            '#2e4b38',
            '#6f8d74',
        ], 'pine' => ['#e2e8df', '#27503f', '#6e9583'], 'willow' => ['#eeeedd', '#7d8a4f', '#b9bd8c'],
        'ochre' => [
            '#f4ead2',
            '#b78227',
            '#dfbd74',
        ], 'gold' => [
            '#f3ebd3',
            '#b58a25',
            '#e3c77f',
        ], 'tansy' => [
            '#f7efd3',
            '#cf9f1e',
            '#e9cd79',
        ], 'sand' => [
            '#f2ecdf',
            '#b9a07a',
            '#d9c8a8',
        ], 'cream' => [
            '#f8f3e4',
            '#d9cba6',
            '#c2b081',
        ], 'umber' => [
            '#eee4d6',
            '#6b4a30',
            '#a78464',
        ], 'chestnut' => ['#ece0d2', '#6d3f24', '#a7754f'], 'tan' => ['#f0e4d0', '#a97a4b', '#d3ae82'],
        'plum' => [
            '#ece3e8',
            '#5e3354',
            '#9c7490',
        ], 'violet' => [
            '#e9e4ee',
            '#59457f',
            '#9786b8',
        ], 'rose' => ['#f3e5e4', '#b5646b', '#e0a9a6'], 'bramble' => ['#e9e0e4', '#4f2a47', '#8f6180'],
        'slate' => [
            '#e5e7e7',
            '#46535c',
            '#8d9aa1',
        ], 'grey' => [
            '#ececea',
            '#6c7072',
            '#a6a9a9',
        ], 'granite' => [
            '#e6e4e2',
            '#5b5753',
            '#9b958f',
        ], 'dusk' => [
            '#e5e3ec',
            '#55536f',
            '#9a98b4',
        ], 'charcoal' => [
            '#e2e2e0',
            '#3a3c3e',
            '#7c7e80',
        ], 'black' => [
            '#e8e5de',
            '#26242a',
            '#6a666e',
        ], 'ink' => [
            '#e4e5e8',
            '#232c44',
            '#68718c',
        ], 'navy' => ['#e4e7ec', '#22335a', '#6d7ea6'], 'river' => ['#e3e9ea', '#3d6b7a', '#8fb1ba'],
        'white' => ['#fbfaf6', '#dcd8cc', '#c4bfb0'], 'natural' => ['#f2ecdd', '#c5b48d', '#a9966b'],
    ];

    /** @return string an SVG document */
    public static function draw(string $name, string $words = ''): string
    {
        $kind = (string) preg_replace('/-\d+\.svg$|\.svg$/D', '', $name);
        $random = new Randomizer(new Xoshiro256StarStar(hash('sha256', "picture $name", true)));
        $colours = self::colours($words, $random);
        [$width, $height] = 'hero' === $kind ? [640, 400] : [self::WIDTH, self::HEIGHT];
        $body = match ($kind) {
            'icon' => '<circle cx="160" cy="120" r="105" fill="#e3b53c"/>'
                .self::discs([[160, 75], [203, 106], [187, 157], [133, 157], [117, 106], [160, 120]], 20, '#7d2935'),
            'hero' => self::hero($random),
            'paper-marbled' => self::marbled($random, $colours, $width, $height),
            'paper-stone' => self::stone($random, $colours),
            'paper-block' => self::block($random, $colours),
            'paper-paste' => self::paste($random, $colours),
            'paper-plain' => self::plain($random, $colours),
            'board' => self::board($random),
            'cloth' => self::cloth($colours),
            'spool' => self::spool($random, $colours),
            'folder' => self::tool(
                'M60 150 C70 120 200 96 262 92 C274 92 276 108 262 112 C200 122 110 160 76 168 C62 170 56 160 60 150Z',
                '#efe6d2',
                '#cbb994',
            ),
            'awl' => self::tool(
                'M40 132 C40 112 70 104 108 106 C120 106 128 112 130 118 L276 122 L130 127 C128 134 120 140 108 140 C70 142 40 150 40 132Z',
                '#b98752',
                '#8b6238',
            ),
            'knife' => self::tool(
                'M38 126 L150 112 L150 140 L38 146 Q30 136 38 126Z M150 110 L268 96 Q286 110 276 142 L150 142Z',
                '#c9cdd0',
                '#8c949a',
            ),
            default => self::kit($random, $colours),
        };
        $ground = match ($kind) {
            'icon' => '', 'folder', 'awl', 'knife' => self::rect($width, $height, '#e9e3d8'),
            default => self::rect($width, $height, $colours[0]),
        };

        return \sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %d %d" width="%1$d" height="%2$d">%s%s</svg>',
            $width,
            $height,
            $ground,
            $body,
        )
            ."\n";
    }

    /** @return array{string, string, string} */
    private static function colours(string $words, Randomizer $random): array
    {
        foreach (self::COLOURS as $word => $colours) {
            if (1 === preg_match("/\\b$word/i", $words)) {
                return $colours;
            }
        }
        $all = array_values(self::COLOURS);

        return $all[$random->getInt(0, \count($all) - 1)];
    }

    private static function rect(int $width, int $height, string $fill): string
    {
        return "<rect width=\"$width\" height=\"$height\" fill=\"$fill\"/>";
    }

    /** @param list<array{int, int}> $centres */
    private static function discs(array $centres, int $radius, string $fill): string
    {
        return implode(
            '',
            array_map(static fn (array $at): string => "<circle cx=\"$at[0]\" cy=\"$at[1]\" r=\"$radius\" fill=\"$fill\"/>", $centres),
        );
    }

    /** @param array{string, string, string} $colours */
    private static function marbled(Randomizer $random, array $colours, int $width, int $height): string
    {
        $lines = '';
        $step = $random->getInt(11, 17);
        $wave = $random->getInt(14, 30);
        for ($y = -20, $n = 0; $y < $height + 30; $y += $step, ++$n) {
            $path = "M-10 $y";
            for ($x = -10; $x < $width + 20; $x += $wave * 2) {
                $lift = $random->getInt(8, 22);
                $path .= \sprintf(' q%d %d %d 0 t%3$d 0', intdiv($wave, 2), 0 === $n % 2 ? -$lift : $lift, $wave);
            }
            $lines .= \sprintf(
                '<path d="%s" fill="none" stroke="%s" stroke-width="%d" opacity="%.2F"/>',
                $path,
                $colours[1 + $n % 2],
                $random->getInt(3, 9),
                $random->getInt(55, 95) / 100,
            );
        }

        return $lines;
    }

    /** @param array{string, string, string} $colours */
    private static function stone(Randomizer $random, array $colours): string
    {
        $drops = '';
        for ($n = 0; $n < 90; ++$n) {
            $drops .= \sprintf(
                '<ellipse cx="%d" cy="%d" rx="%d" ry="%d" fill="%s" stroke="%s" stroke-width="1.5"/>',
                $random->getInt(0, self::WIDTH),
                $random->getInt(0, self::HEIGHT),
                $random->getInt(5, 26),
                $random->getInt(5, 22),
                $colours[1 + $n % 2],
                $colours[0],
            );
        }

        return $drops;
    }

    /** @param array{string, string, string} $colours */
    private static function block(Randomizer $random, array $colours): string
    {
        $size = $random->getInt(28, 48);
        $petals = $random->getInt(4, 7);
        $motif = '';
        for ($n = 0; $n < $petals; ++$n) {
            $motif .= \sprintf(
                '<ellipse cx="0" cy="%.1F" rx="%.1F" ry="%.1F" transform="rotate(%d)"/>',
                -$size * 0.24,
                $size * 0.09,
                $size * 0.2,
                (int) (360 / $petals * $n),
            );
        }
        $repeats = '';
        for ($row = 0; $row * $size < self::HEIGHT + $size; ++$row) {
            for ($column = -1; $column * $size < self::WIDTH + $size; ++$column) {
                $repeats .= \sprintf(
                    '<use href="#m" x="%.1F" y="%.1F" fill="%s"/>',
                    ($column + (0 === $row % 2 ? 0 : 0.5)) * $size,
                    $row * $size * 0.9,
                    $colours[1 + abs($row + $column) % 2],
                );
            }
        }

        return "<defs><g id=\"m\">$motif</g></defs>$repeats";
    }

    /** @param array{string, string, string} $colours */
    private static function paste(Randomizer $random, array $colours): string
    {
        $strokes = self::rect(self::WIDTH, self::HEIGHT, $colours[2]);
        for ($x = 0; $x < self::WIDTH; $x += 8) {
            $strokes .= \sprintf(
                '<path d="M%d -5 q%d 60 0 120 t0 135" fill="none" stroke="%s" stroke-width="4" opacity=".75"/>',
                $x,
                $random->getInt(8, 20),
                $colours[1],
            );
        }

        return $strokes;
    }

    /** @param array{string, string, string} $colours */
    private static function plain(Randomizer $random, array $colours): string
    {
        $sheets = '';
        for ($n = 0; $n < 4; ++$n) {
            $sheets .= \sprintf(
                '<rect x="%d" y="%d" width="190" height="130" fill="#fdfbf4" stroke="%s" transform="rotate(%d 160 120)"/>',
                60 + $n * 4,
                52 + $n * 3,
                $colours[1],
                $random->getInt(-9, 9),
            );
        }

        return $sheets;
    }

    private static function board(Randomizer $random): string
    {
        $boards = '';
        for ($n = 0; $n < 5; ++$n) {
            $boards .= \sprintf(
                '<rect x="%d" y="%d" width="200" height="120" rx="1" fill="hsl(34 9%% %d%%)" stroke="#6a645c" stroke-width="1"/>',
                40 + $n * 10,
                30 + $n * 14,
                $random->getInt(52, 66),
            );
        }

        return $boards;
    }

    /** @param array{string, string, string} $colours */
    private static function cloth(array $colours): string
    {
        return \sprintf(
            '<defs><pattern id="w" width="6" height="6" patternUnits="userSpaceOnUse"><path d="M0 1.5h6M0 4.5h6" stroke="%s" '
                .'stroke-width="1.4"/><path d="M1.5 0v6M4.5 0v6" stroke="%s" stroke-width="1" opacity=".55"/></pattern></defs><path '
                .'d="M40 40 L250 28 L286 196 L70 214Z" fill="%s"/><path d="M40 40 L250 28 L286 196 L70 214Z" fill="url(#w)"/><path '
                .'d="M250 28 L286 196 L262 200 L226 34Z" fill="#0002"/>',
            $colours[0],
            $colours[2],
            $colours[1],
        );
    }

    /** @param array{string, string, string} $colours */
    private static function spool(Randomizer $random, array $colours): string
    {
        $thread = '';
        for ($y = 72; $y < 170; $y += 5) {
            $thread .= \sprintf(
                '<path d="M112 %d q48 %d 96 0" fill="none" stroke="%s" stroke-width="5"/>',
                $y,
                $random->getInt(4, 11),
                $colours[1 + (int) ($y / 5) % 2],
            );
        }

        return '<rect x="100" y="48" width="120" height="20" rx="5" fill="#b98752"/><rect x="118" y="60" width="84" height="120" fill="'
            .$colours[2].'"/>'.$thread.'<rect x="100" y="172" width="120" height="20" rx="5" fill="#b98752"/>';
    }

    private static function tool(string $path, string $fill, string $edge): string
    {
        return "<path d=\"$path\" transform=\"translate(6 10)\" fill=\"#0001\"/><path d=\"$path\" fill=\"$fill\" stroke=\"$edge\" "
            .'stroke-width="2"/>';
    }

    /** @param array{string, string, string} $colours */
    private static function kit(Randomizer $random, array $colours): string
    {
        return '<rect x="56" y="60" width="208" height="132" rx="4" fill="#d9c8a8" stroke="#a98f63"/><rect x="68" y="72" width="86" '
            .'height="108" fill="'
            .$colours[1].'"/><rect x="164" y="72" width="88" height="48" fill="'.$colours[2].'"/><circle cx="186" cy="150" r="'
            .$random->getInt(18, 24).'" fill="#fbf6ea" stroke="'.$colours[1]
            .'" stroke-width="6"/><path d="M220 132 L246 176" stroke="#8b6238" stroke-width="5"/>';
    }

    private static function hero(Randomizer $random): string
    {
        $colours = self::COLOURS['tide'];
        $books = '';
        foreach ([
            ['#7d2935', 70, 210],
            ['#1d5b63', 60, 240],
            ['#e3b53c', 46, 190],
            ['#2c2531', 64, 226],
            ['#9aa96b', 52, 204],
        ] as $n => [$fill, $width, $height]) {
            [$x, $top] = [70 + $n * 74, 340 - $height];
            $band = $top + 26;
            $books .= "<rect x=\"$x\" y=\"$top\" width=\"$width\" height=\"$height\" rx=\"3\" fill=\"$fill\"/><path d=\"M$x $band "
                ."h$width\" stroke=\"#fff6\" stroke-width=\"3\"/>";
        }

        return '<g opacity=".5">'.self::marbled($random, $colours, 640, 400).'</g><rect y="340" width="640" height="60" fill="#b98752"/>'
            .$books
            .'<g transform="translate(430 150)"><rect x="10" y="0" width="120" height="20" rx="5" fill="#b98752"/><rect x="26" y="18" '
                .'width="88" height="156" fill="#efe6d2"/><rect x="10" y="170" width="120" height="20" rx="5" fill="#b98752"/></g>';
    }
}
