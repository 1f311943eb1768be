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
        Drawing::check(
            'mark.svg',
            '<?xml version="1.0"?><!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd"><svg '
                .'xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" xmlns:note="http://drawing.example/note" '
                .'viewBox="0 0 10 10"><note:view note:zoom="2"/><title>Mark</title><defs><linearGradient id="a"><stop offset="0" '
                .'stop-color="red"/></linearGradient><style>.b{fill:url(#a)}</style></defs><path class="b" d="M0 0h10v10z" '
                .'fill="url(#a)"/><use xlink:href="#a"/><text x="1" y="2">The press</text></svg>',
        );
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
        yield ['<script xmlns="http://foo.example">alert(1)</script>', 'has <script> in it'];
        yield ['<style>.a{background:image-set("http://x.example/a.png" 1x)}</style>', 'has a style that fetches something in it'];
        yield ['<path style="mask:image-set(\'http://x.example/a.png\' 1x)" d="M0 0"/>', 'has something that it fetches in it'];
        yield ['<path style="fill:u\\72l(http://x.example/a)" d="M0 0"/>', 'has something that it fetches in it'];
        yield ['<?xml-stylesheet href="http://x.example/a.css"?>', 'has an instruction'];
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
        foreach ([
            '',
            'a picture',
            '<html/>',
            '<svg>',
            '<!DOCTYPE svg [<!ENTITY a "b">]><svg>&a;</svg>',
            '<svg>'.str_repeat(' ', Drawing::MAX_BYTES).'</svg>',
        ] as $wrong) {
            try {
                Drawing::check('mark.svg', $wrong);
                self::fail('It is refused: '.substr($wrong, 0, 40));
            } catch (Refused $refused) {
                self::assertSame('file', $refused->field);
            }
        }
    }

    /** In another encoding a declaration looks like something else to whoever searches for it; and an entity may be a script. */
    public function testNothingStandsForAnythingElse(): void
    {
        $entity = '<!DOCTYPE svg [<!ENTITY x "<script xmlns=\'http://www.w3.org/2000/svg\'>alert(1)</script>">]><svg '
            .'xmlns="http://www.w3.org/2000/svg">&x;<path d="M0 0"/></svg>';
        foreach ([
            $entity,
            mb_convert_encoding('<?xml version="1.0" encoding="UTF-16"?>'.$entity, 'UTF-16'),
            "\xFE\xFF".mb_convert_encoding($entity, 'UTF-16BE'),
            '<?xml version="1.0" encoding="UTF-7"?>'.$entity,
            '<?xml version="1.0" encoding="ISO-8859-1"?><svg xmlns="http://www.w3.org/2000/svg"/>',
            '<!DOCTYPE svg SYSTEM "http://x.example/a.dtd"><svg xmlns="http://www.w3.org/2000/svg"/>',
            '<?xml-stylesheet href="http://x.example/a.css"?><svg xmlns="http://www.w3.org/2000/svg"/>',
        ] as $n => $svg) {
            try {
                Drawing::check('mark.svg', $svg);
                self::fail("The $n. was taken.");
            } catch (Refused $refused) {
                self::assertSame('file', $refused->field);
            }
        }
    }

    public function testAFewUsesMakeNoHundredMillionCopies(): void
    {
        $nested = '<g id="a0"><path d="M0 0"/></g>';
        for ($n = 1; $n <= 8; ++$n) {
            $nested .= "<g id=\"a$n\">".str_repeat('<use href="#a'.($n - 1).'"/>', 10).'</g>';
        }
        foreach ([$nested, '<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>', '<g id="a"><use href="#a"/></g>'] as $inside) {
            try {
                Drawing::check('mark.svg', "<svg xmlns=\"http://www.w3.org/2000/svg\">$inside</svg>");
                self::fail('It was taken.');
            } catch (Refused $refused) {
                self::assertStringContainsString('again and again', $refused->getMessage());
            }
        }
        Drawing::check(
            'mark.svg',
            '<svg xmlns="http://www.w3.org/2000/svg"><g id="a"><path d="M0 0"/></g>'.str_repeat('<use href="#a"/>', 200).'</svg>',
        );
    }
}
