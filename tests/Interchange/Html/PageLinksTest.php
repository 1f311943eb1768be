<?php

declare(strict_types=1);

namespace Lantern\Tests\Interchange\Html;

use Lantern\Interchange\Html\PageLinks;
use PHPUnit\Framework\TestCase;

final class PageLinksTest extends TestCase
{
    public function testEverythingThatIsFollowed(): void
    {
        $page = PageLinks::of(
            '<!doctype html><html><head><link rel="stylesheet" href="/a.css"><link rel="canonical" href="/not-followed"><script '
                .'src="/a.js"></script></head><body id="top"><a href="/käse?x=1&amp;y=2#there">a</a><img src="/b.svg" srcset="/b2.png '
                .'2x, /b3.png 3x"><form action="/search"></form><video src="/v.webm" poster="/p.png"></video><h2 '
                .'id="part">x</h2></body></html>',
        );
        self::assertEqualsCanonicalizing(
            ['/a.css', '/a.js', '/käse?x=1&y=2#there', '/b.svg', '/b2.png', '/b3.png', '/search', '/v.webm', '/p.png'],
            $page->links,
        );
        self::assertSame(['top', 'part'], $page->ids);
    }

    public function testWhatIsNoPageLeadsNowhere(): void
    {
        self::assertSame([], PageLinks::of('')->links);
        self::assertSame([], PageLinks::of("\0\xff<<<")->links);
    }
}
