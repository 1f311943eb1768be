<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Place;

use Lantern\Core\Place\Drawing;
use Lantern\Core\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\DoesNotPerformAssertions;
use PHPUnit\Framework\TestCase;

final class DrawingTest extends TestCase
{
    #[DoesNotPerformAssertions]
    public function testWhatADrawingProgramSavesIsTaken(): void
    {
        Drawing::check('mark.svg', '<?xml version="1.0"?><!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd"><svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" xmlns:note="http://drawing.example/note" viewBox="0 0 10 10"><note:view note:zoom="2"/><title>Mark</title><defs><linearGradient id="a"><stop offset="0" stop-color="red"/></linearGradient><style>.b{fill:url(#a)}</style></defs><path class="b" d="M0 0h10v10z" fill="url(#a)"/><use xlink:href="#a"/><text x="1" y="2">The press</text></svg>');
    }

    #[DataProvider('wrong')]
    public function testWhatRunsOrFetchesIsRefusedByItsName(string $inside, string $says): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessage($says);
        Drawing::check('mark.svg', "<svg xmlns=\"http://www.w3.org/2000/svg\" xmlns:xlink=\"http://www.w3.org/1999/xlink\">$inside</svg>");
    }

    /** @return iterable<list<string>> */
    public static function wrong(): iterable
    {
        yield ['<script>alert(1)</script>', '“mark.svg” has <script> in it'];
        yield ['<g><path onclick="x()" d="M0 0"/></g>', 'has a script (onclick) in it'];
        yield ['<foreignObject><p xmlns="http://www.w3.org/1999/xhtml">x</p></foreignObject>', 'has <foreignObject> in it'];
        yield ['<body xmlns="http://www.w3.org/1999/xhtml"/>', 'has <body> in it'];
        yield ['<image href="http://x.example/a.png"/>', 'has <image> in it'];
        yield ['<use xlink:href="http://x.example/a.svg#b"/>', 'has a link (xlink:href) in it'];
        yield ['<use href="data:image/svg+xml;base64,AA"/>', 'has a link (href) in it'];
        yield ['<path fill="url(http://x.example/#a)"/>', 'has something that it fetches in it'];
        yield ['<style>@import "http://x.example/a.css";</style>', 'has a style that fetches something in it'];
        yield ['<style>path{fill:u\72l(http://x.example)}</style>', 'has a style that fetches something in it'];
        yield ['<animate attributeName="href"/>', 'has <animate> in it'];
        yield ['<set attributeName="onload" to="x()"/>', 'has <set> in it'];
    }

    public function testWhatIsNoDrawingIsRefused(): void
    {
        foreach (['', 'a picture', '<html/>', '<svg>', '<!DOCTYPE svg [<!ENTITY a "b">]><svg>&a;</svg>', '<svg>'.str_repeat(' ', Drawing::MAX_BYTES).'</svg>'] as $wrong) {
            try {
                Drawing::check('mark.svg', $wrong);
                self::fail('It is refused: '.substr($wrong, 0, 40));
            } catch (Refused $refused) {
                self::assertSame('file', $refused->field);
            }
        }
    }
}
