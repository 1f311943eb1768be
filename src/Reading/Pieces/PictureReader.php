<?php

declare(strict_types=1);

namespace Lantern\Reading\Pieces;

use Lantern\Core\Looks\Colour;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\Cache\CacheInterface;

/** What colours a picture of the shop has, region by region. It is looked at once: what lies under a name stays as it is. */
final readonly class PictureReader
{
    private const ACROSS = 12;
    private const DOWN = 9;
    /** What a picture may need in memory, laid open: one with more is not looked at. */
    private const MOST_PIXELS = 40_000_000;

    public function __construct(
        #[Autowire(env: 'resolve:LANTERN_FILES')] private string $folder,
        #[Autowire(service: 'cache.resolved')] private CacheInterface $cache,
    ) {
    }

    /** @return list<Colour> one for each region; none where there is no such picture, or it cannot be read */
    public function regions(string $name): array
    {
        $path = str_starts_with($name, 'uploads/') ? "{$this->folder}/$name" : "{$this->folder}/pictures/$name";
        $changed = is_file($path) ? filemtime($path) : false;
        if (false === $changed) {
            return [];
        }

        return array_map(
            Colour::fromHex(...),
            $this->cache->get(
                'regions.'.hash('sha256', "$name $changed"),
                static fn (): array => str_ends_with($name, '.svg') ? self::drawn($path) : self::seen($path),
            ),
        );
    }

    /** How large a picture is; null where there is none, or it cannot be read. */
    public function size(string $name): ?PictureSize
    {
        if (1 !== preg_match('#^[a-z0-9][a-z0-9._/-]{0,199}$#Di', $name) || str_contains($name, '..')) {
            return null;
        }
        $path = str_starts_with($name, 'uploads/') ? "{$this->folder}/$name" : "{$this->folder}/pictures/$name";
        if (!is_file($path)) {
            return null;
        }
        if (!str_ends_with($name, '.svg')) {
            [$width, $height] = @getimagesize($path) ?: [0, 0];

            return $width > 0 && $height > 0 ? new PictureSize($width, $height) : null;
        }
        $begins = (string) file_get_contents($path, length: 4000);
        $number = static fn (string $attribute): float => 1 === preg_match(
            "/<svg\b[^>]*\s$attribute=\"([\d.]{1,8})(?:px)?\"/",
            $begins,
            $found,
        )
            ? (float) $found[1]
            : 0.0;
        [$width, $height] = [$number('width'), $number('height')];
        if (
            ($width < 1 || $height < 1)
            && 1 === preg_match('/<svg\b[^>]*\sviewBox="[-\d.]+[ ,]+[-\d.]+[ ,]+([\d.]{1,8})[ ,]+([\d.]{1,8})"/', $begins, $found)
        ) {
            [$width, $height] = [(float) $found[1], (float) $found[2]];
        }

        return $width >= 1 && $height >= 1 ? new PictureSize((int) round($width), (int) round($height)) : null;
    }

    /** @return list<string> every colour that is drawn with: which of them lies where is not known */
    private static function drawn(string $path): array
    {
        preg_match_all('/#[0-9a-f]{6}\b/i', (string) file_get_contents($path), $found);

        return array_values(array_unique(array_map(strtolower(...), $found[0])));
    }

    /** @return list<string> the middle colour of each region */
    private static function seen(string $path): array
    {
        [$width, $height] = @getimagesize($path) ?: [0, 0];
        $picture = $width > 0 && $width * $height <= self::MOST_PIXELS ? @imagecreatefromstring((string) file_get_contents($path)) : false;
        $small = imagecreatetruecolor(self::ACROSS, self::DOWN);
        if (false === $picture || false === $small) {
            return [];
        }
        // What shows through is the white of the page.
        imagefill($small, 0, 0, (int) imagecolorallocate($small, 255, 255, 255));
        imagecopyresampled($small, $picture, 0, 0, 0, 0, self::ACROSS, self::DOWN, $width, $height);
        $colours = [];
        for ($x = 0; $x < self::ACROSS; ++$x) {
            for ($y = 0; $y < self::DOWN; ++$y) {
                $colours[] = \sprintf('#%06x', imagecolorat($small, $x, $y) & 0xFFFFFF);
            }
        }

        return array_values(array_unique($colours));
    }
}
