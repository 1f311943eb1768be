<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Shop;

use Lantern\Core\Refused;
use Lantern\Core\Shop\MarkDrawing;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MarkDrawingTest extends TestCase
{
    public function testOnlyShapesStayInTheColourOfTheWordsBesideThem(): void
    {
        $drawn = MarkDrawing::cleaned(
            '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 12 12" onload="x()" '
                .'style="color:red"><title>Mark</title><style>*{}</style><script>alert(1)</script><g transform="rotate(45 6 6)"><path '
                .'d="M2 4l4 4 4-4" fill="#f00" stroke="red" onclick="x()"/><foreignObject><p>x</p></foreignObject></g><image '
                .'href="http://x.example/a.png"/><use href="#a"/><circle cx="6" cy="6" r="2" fill="none"/><a href="javascript:x()"><path '
                .'d="M0 0"/></a></svg>',
        );
        self::assertSame(
            '<svg viewBox="0 0 12 12" width="11" height="11" aria-hidden="true"><g transform="rotate(45 6 6)"><path d="M2 4l4 4 4-4" '
                .'fill="currentColor" stroke="currentColor"></path></g><circle cx="6" cy="6" r="2" fill="none"></circle></svg>',
            $drawn,
        );
        self::assertSame($drawn, MarkDrawing::cleaned($drawn), 'what is clean stays as it is');
    }

    public function testAnAttributeThatIsMoreThanNumbersAndWordsGoes(): void
    {
        self::assertStringNotContainsString(
            'url',
            MarkDrawing::cleaned('<svg viewBox="0 0 1 1"><path d="M0 0" transform="url(&quot;x&quot;)"/></svg>'),
        );
    }

    #[DataProvider('wrong')]
    public function testWhatIsNoDrawingIsRefused(string $svg, string $says): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessage($says);
        MarkDrawing::cleaned($svg);
    }

    /** @return iterable<list<string>> */
    public static function wrong(): iterable
    {
        yield ['a plus', 'This is no drawing'];
        yield ['<svg><path d="M0 0"/></svg>', 'This is no drawing'];
        yield ['<svg viewBox="0 0 1 1"><path d="M0 0"></svg>', 'This is no drawing'];
        yield ['<p viewBox="0 0 1 1"/>', 'This is no drawing'];
        yield [
            '<!DOCTYPE svg [<!ENTITY a SYSTEM "file:///etc/passwd">]><svg viewBox="0 0 1 1"><path d="&a;"/></svg>',
            'This is no drawing',
        ];
        yield ['<svg viewBox="0 0 1 1" ><script/></svg>', 'There is no shape'];
        yield ['<svg viewBox="0 0 1 1"><path d="'.str_repeat('M0 0', 2000).'"/></svg>', 'at most 4000 letters'];
        yield ['<svg viewBox="0 0 1 1&quot; onload=x"><path d="M0 0"/></svg>', 'This is no drawing'];
    }
}
