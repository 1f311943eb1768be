<?php

declare(strict_types=1);

namespace Lantern\Tests\Interchange\Opml;

use Lantern\Core\Refused;
use Lantern\Interchange\Opml\Opml;
use PHPUnit\Framework\TestCase;

final class OpmlTest extends TestCase
{
    public function testAnElementWithVeryManyAttributesIsRefusedBeforeAParserSeesIt(): void
    {
        $attributes = implode(' ', array_map(static fn (int $n): string => "a$n=\"x>\"", range(1, 40_000)));
        $this->expectException(Refused::class);
        $this->expectExceptionMessage('sixty attributes');
        Opml::read("<opml version=\"2.0\"><body><outline text=\"a\" $attributes/></body></opml>");
    }

    public function testWhatOtherOutlinersWriteIsRead(): void
    {
        $note = str_repeat('A long note, as some outliners keep them. ', 400);
        $lines = Opml::read(
            "<opml version=\"2.0\"><body><outline text=\"Papers\" _note=\"$note\" a=\"1\" b=\"2\" c=\"3\"><outline text=\"Marbled\" "
                .'url="https://x.example/"/></outline></body></opml>',
        );
        self::assertSame(['Papers', 'Marbled'], [$lines[0]->label, $lines[1]->label]);
    }
}
