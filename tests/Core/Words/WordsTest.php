<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Words;

use Lantern\Core\Address\Address;
use Lantern\Core\Policy\StartingText;
use Lantern\Core\Words\Anchor;
use Lantern\Core\Words\Blank;
use Lantern\Core\Words\Destination;
use Lantern\Core\Words\Reference;
use Lantern\Core\Words\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WordsTest extends TestCase
{
    private const PAPERS = '019344a0-1c00-7532-aafa-e3a184482d95';
    private const CHART = '019344a0-1c00-7b08-9857-9f53a92887d9';
    private const DETAILS = [
        'name' => 'Tansy & Rook',
        'company' => 'T&R Ltd',
        'mail' => 'hello@tansyandrook.example',
        'country' => '',
        'days_to_return' => '30',
    ];

    public function testFindsWhereATextLeads(): void
    {
        $words = new Words(
            '<p><a href="place:'.self::PAPERS.'#stone" class="button">Go</a> <a href="place:'.self::CHART
                .'">x</a> <a href="/old/way?x=1#y">typed</a> <a href="https://else.example/">out</a></p><img src="place:'.self::CHART
                .'" alt="a &#34;chart&#34;" /><p>href=&#34;place:'.self::PAPERS.'&#34;</p>',
        );
        self::assertEquals([
            new Reference(self::PAPERS, null, 'stone', 'button'),
            new Reference(self::CHART, null, '', 'link'),
            new Reference(null, '/old/way', 'y', 'link'),
            new Reference(self::CHART, null, '', 'picture'),
        ], $words->references());
        self::assertSame([self::PAPERS, self::CHART], $words->placeIds());
    }

    public function testLinksFollowTheirPlaces(): void
    {
        $words = new Words(
            '<p><a href="place:'.self::PAPERS.'#stone">Stone</a>, <a href="place:'.self::CHART
                .'">chart</a>, <a href="/typed">typed</a></p><img src="place:'.self::CHART.'" alt="" />',
        );
        $destinations = [
            self::PAPERS => new Destination(Address::parse('/papers/été')),
            self::CHART => new Destination(Address::parse('/files/c.png'), newTab: true),
        ];
        self::assertSame(
            '<p><a href="/look/papers/%C3%A9t%C3%A9#stone">Stone</a>, <a href="/look/files/c.png" target="_blank" '
                .'rel="noopener">chart</a>, <a href="/look/typed">typed</a></p><img src="/look/files/c.png" alt="" />',
            $words->shown($destinations, [], '/look'),
        );
        self::assertSame(
            '<p><a>Stone</a>, <a>chart</a>, <a href="/typed">typed</a></p>',
            $words->shown([], []),
            'what is gone keeps its words',
        );
    }

    public function testVideoPlaysByNobodysWishButTheVisitors(): void
    {
        $video = '<video src="place:'.self::CHART.'" poster="place:'.self::PAPERS.'" aria-label="A fold"></video>';
        $words = new Words("<p>See</p>$video<p>so.</p>");
        self::assertEquals(
            [new Reference(self::CHART, null, '', 'video'), new Reference(self::PAPERS, null, '', 'picture')],
            $words->references(),
        );
        $destinations = [
            self::PAPERS => new Destination(Address::parse('/files/p.png')),
            self::CHART => new Destination(Address::parse('/files/c.webm')),
        ];
        self::assertSame(
            '<p>See</p><video src="/look/files/c.webm" poster="/look/files/p.png" aria-label="A fold" controls playsinline '
                .'preload="none"></video><p>so.</p>',
            $words->shown($destinations, [], '/look'),
        );
        self::assertSame(
            '<p>See</p><video src="/files/c.webm" aria-label="A fold" controls playsinline preload="metadata"></video><p>so.</p>',
            $words->shown([self::CHART => $destinations[self::CHART]], []),
            'without its poster',
        );
        self::assertSame(
            '<p>See</p><p>so.</p>',
            $words->shown([self::PAPERS => $destinations[self::PAPERS]], []),
            'a poster alone is nothing',
        );
        self::assertSame('<p>See</p><p>so.</p>', $words->withoutLinksTo(self::CHART, '/files/c.webm', null)->html);
        self::assertSame(
            '<p>See</p><video src="place:'.self::CHART.'" aria-label="A fold"></video><p>so.</p>',
            $words->withoutLinksTo(self::PAPERS, '/files/p.png', self::CHART)->html,
        );
        self::assertSame(
            '<video poster="place:'.self::PAPERS.'" src="place:'.self::CHART.'"></video>',
            (new Words('<video poster="/p" src="/c"></video>'))->referring(['/p' => self::PAPERS, '/c' => self::CHART])->html,
        );
    }

    public function testBlanksAreFilledFromTheDetailsOfTheShop(): void
    {
        $words = new Words(
            '<p><span data-blank="shop"></span> in <span data-blank="country"></span>, <span data-blank="mail"></span> and <span '
                .'data-blank="mail"></span></p>',
        );
        self::assertSame([Blank::Shop, Blank::Country, Blank::Mail], $words->blanks());
        self::assertSame([Blank::Country], $words->emptyBlanks(self::DETAILS));
        self::assertSame(
            '<p>Tansy &amp; Rook in , hello@tansyandrook.example and hello@tansyandrook.example</p>',
            $words->shown([], self::DETAILS),
        );
        self::assertSame([], (new Words('<p>nothing</p>'))->emptyBlanks([]));
    }

    public function testTypedLinksReferToTheirPlaces(): void
    {
        $id = '019344a0-1c00-7b91-8d3d-b603b29d8cde';
        $words = new Words(
            '<p><a class="button" href="/a &amp; b#part">one</a> <a href="/a &amp; b?x=1">two</a> <a href="/other">three</a> /a &amp; '
                .'b</p><img alt="/a" src="/a &amp; b">',
        );
        self::assertSame(
            "<p><a class=\"button\" href=\"place:$id#part\">one</a> <a href=\"/a &amp; b?x=1\">two</a> <a href=\"/other\">three</a> /a "
                ."&amp; b</p><img alt=\"/a\" src=\"place:$id\">",
            $words->referring(['/a & b' => $id])->html,
        );
    }

    public function testLinksToAPlaceThatIsNoMoreLeadElsewhereOrBecomePlainWords(): void
    {
        $id = '019344a0-1c00-7b91-8d3d-b603b29d8cde';
        $other = '019344a0-1c00-7b91-8d3d-b603b29d8cdf';
        $words = new Words(
            "<p><a href=\"place:$id#part\">one <em>and</em></a>, <a class=\"button\" href=\"/caf\u{e9} &amp; more?x=1\">two</a>, <a "
                ."href=\"place:$other\">other</a>, <a href=\"/caf\u{e9}\">no</a></p><img src=\"place:$id\" alt=\"x\"><img alt=\"y\" "
                ."src=\"place:$other\">",
        );
        self::assertSame(
            "<p><a href=\"place:$other\">one <em>and</em></a>, <a class=\"button\" href=\"place:$other\">two</a>, <a "
                ."href=\"place:$other\">other</a>, <a href=\"/caf\u{e9}\">no</a></p><img alt=\"y\" src=\"place:$other\">",
            $words->withoutLinksTo($id, "/caf\u{e9} & more", $other)->html,
        );
        self::assertSame(
            "<p>one <em>and</em>, two, <a href=\"place:$other\">other</a>, <a href=\"/caf\u{e9}\">no</a></p><img alt=\"y\" "
                ."src=\"place:$other\">",
            $words->withoutLinksTo($id, "/caf\u{e9} & more", null)->html,
        );
    }

    public function testHeadingsAreParts(): void
    {
        $words = new Words('<h2 id="fold">Fold <em>it</em> &amp; look</h2><p>x</p><h3 id="wet">Wet it</h3><h2>no name</h2>');
        self::assertEquals([new Anchor('fold', 'Fold it & look'), new Anchor('wet', 'Wet it')], $words->anchors());
    }

    #[DataProvider('startingTexts')]
    public function testEveryStartingTextNamesTheShopAndAWayToWrite(StartingText $text): void
    {
        $words = new Words($text->html());
        self::assertContains(Blank::Shop, $words->blanks());
        self::assertContains(Blank::Mail, $words->blanks());
        self::assertSame([], $words->emptyBlanks(['country' => 'Here'] + self::DETAILS));
        $shown = $words->shown([], ['country' => 'Here'] + self::DETAILS);
        self::assertStringContainsString('Tansy &amp; Rook', $shown);
        self::assertStringNotContainsString('data-blank', $shown);
        self::assertGreaterThan(100, \strlen(strip_tags($shown)));
    }

    /** @return iterable<string, array{StartingText}> */
    public static function startingTexts(): iterable
    {
        foreach (StartingText::cases() as $text) {
            yield $text->value => [$text];
        }
    }
}
