<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Place;

use Lantern\Core\Place\FileType;
use Lantern\Core\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FileTypeTest extends TestCase
{
    #[DataProvider('allowed')]
    public function testNameAndContentAgree(string $name, string $found, FileType $type): void
    {
        self::assertSame($type, FileType::ofUpload($name, $found, 1000));
    }

    /** @return iterable<array{string, string, FileType}> */
    public static function allowed(): iterable
    {
        yield ['chart.pdf', 'application/pdf', FileType::Pdf];
        yield ['CHART.PDF', 'application/pdf', FileType::Pdf];
        yield ['a.jpeg', 'image/jpeg', FileType::Jpeg];
        yield ['fold.mp4', 'video/mp4', FileType::Mp4];
        yield ['fold.WEBM', 'video/webm', FileType::Webm];
        yield ['prices.csv', 'text/plain', FileType::Csv];
        yield ['note.txt', 'text/html', FileType::Text];
    }

    #[DataProvider('refused')]
    public function testWhatLiesIsRefused(string $name, string $found, int $bytes, string $says): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessage($says);
        FileType::ofUpload($name, $found, $bytes);
    }

    /** @return iterable<array{string, string, int, string}> */
    public static function refused(): iterable
    {
        yield ['chart.pdf', 'text/html', 10, 'its content is text/html'];
        yield ['cat.png', 'image/jpeg', 10, 'called .png'];
        yield ['cat.svg', 'image/png', 10, 'but its content is image/png'];
        yield ['cat.bmp', 'image/bmp', 10, 'no type that the shop offers'];
        yield ['fold.mp4', 'video/x-msvideo', 10, 'its content is video/x-msvideo'];
        yield ['page.html', 'text/html', 10, 'no type'];
        yield ['run.php', 'text/x-php', 10, 'no type'];
        yield ['shell.php.png', 'text/x-php', 10, 'its content is text/x-php'];
        yield ['noextension', 'image/png', 10, 'no type'];
        yield ['.pdf', 'application/x-dosexec', 10, 'its content is'];
        yield ['table.csv', 'application/zip', 10, 'its content is application/zip'];
        yield ['big.pdf', 'application/pdf', 50 << 20, 'this one has 50.0 MB'];
        yield ['empty.pdf', 'application/pdf', 0, 'empty'];
    }
}
