<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Pieces;

use Lantern\Core\Looks\Colour;
use Lantern\Reading\Pieces\PictureReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Cache\Adapter\ArrayAdapter;
use Symfony\Component\Filesystem\Filesystem;

final class PictureReaderTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/lantern-pictures-'.bin2hex(random_bytes(4));
        (new Filesystem())->mkdir(["{$this->folder}/uploads", "{$this->folder}/pictures"]);
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove($this->folder);
    }

    #[DataProvider('types')]
    public function testAPictureIsSeenRegionByRegion(string $type, int $off): void
    {
        $picture = imagecreatetruecolor(240, 180);
        self::assertNotFalse($picture);
        // Dark on the left, light on the right.
        imagefilledrectangle($picture, 0, 0, 119, 179, 0x202020);
        imagefilledrectangle($picture, 120, 0, 239, 179, 0xE0E0E0);
        $write = "image$type";
        self::assertTrue(\is_callable($write));
        $write($picture, "{$this->folder}/uploads/a.$type");
        $seen = array_map(static fn (Colour $colour): float => $colour->luminance(), $this->reader()->regions("uploads/a.$type"));
        self::assertNotSame([], $seen);
        self::assertEqualsWithDelta((new Colour(0x20, 0x20, 0x20))->luminance(), min($seen), $off / 100);
        self::assertEqualsWithDelta((new Colour(0xE0, 0xE0, 0xE0))->luminance(), max($seen), $off / 100);
    }

    /** @return iterable<string, array{string, int}> with how far a colour may be off, in hundredths of luminance */
    public static function types(): iterable
    {
        yield 'PNG' => ['png', 0];
        yield 'JPEG' => ['jpeg', 2];
        yield 'WebP' => ['webp', 2];
        yield 'GIF' => ['gif', 3];
    }

    public function testWhatShowsThroughIsThePage(): void
    {
        $picture = imagecreatetruecolor(24, 18);
        self::assertNotFalse($picture);
        imagesavealpha($picture, true);
        imagealphablending($picture, false);
        imagefilledrectangle($picture, 0, 0, 23, 17, (int) imagecolorallocatealpha($picture, 0, 0, 0, 127));
        imagepng($picture, "{$this->folder}/uploads/clear.png");
        self::assertSame(['#ffffff'], $this->hex('uploads/clear.png'));
    }

    public function testOfADrawingEveryColourCounts(): void
    {
        file_put_contents(
            "{$this->folder}/pictures/a.svg",
            '<svg xmlns="http://www.w3.org/2000/svg"><rect fill="#FBFAF6"/><path stroke="#2c2531" fill="#fbfaf6"/></svg>',
        );
        self::assertSame(['#fbfaf6', '#2c2531'], $this->hex('a.svg'));
    }

    public function testWhatIsNoPictureHasNoColours(): void
    {
        file_put_contents("{$this->folder}/uploads/b.png", 'no picture');
        self::assertSame([], $this->hex('uploads/b.png'));
        self::assertSame([], $this->hex('uploads/gone.png'));
        self::assertSame([], $this->hex('gone.svg'));
    }

    private function reader(): PictureReader
    {
        return new PictureReader($this->folder, new ArrayAdapter());
    }

    /** @return list<string> */
    private function hex(string $name): array
    {
        return array_map(static fn (Colour $colour): string => $colour->hex(), $this->reader()->regions($name));
    }
}
