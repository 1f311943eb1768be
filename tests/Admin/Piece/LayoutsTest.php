<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Piece;

use Lantern\Core\Person\Actor;
use Lantern\Core\Release\CopyName;
use Lantern\Demo\DemoId;
use Lantern\Kernel;
use Lantern\Tests\Admin\ApiTestCase;
use Lantern\Workbench\Findings\Inspection;
use Lantern\Workbench\Publishing\Publisher;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Uid\UuidV7;

/** A page and a panel that are laid out, from the API to what a visitor gets. */
final class LayoutsTest extends ApiTestCase
{
    private Kernel $storefront;

    protected function setUp(): void
    {
        parent::setUp();
        $this->storefront = new Kernel('test', false, 'storefront');
        $this->storefront->boot();
    }

    protected function tearDown(): void
    {
        $this->storefront->shutdown();
        parent::tearDown();
    }

    public function testAPageThatIsLaidOutShowsWhatItShowedBefore(): void
    {
        $before = self::text($this->visit('/about-us/two-people-and-a-press'));
        $page = $this->send('POST', '/api/places/'.DemoId::of('pages/our-story').'/layout');
        self::assertSame(200, $this->code());
        self::assertSame(
            ['page', '/about-us/two-people-and-a-press', 'Two people and a press'],
            [$this->at($page, 'kind'), $this->at($page, 'path'), $this->at($page, 'name')],
        );
        self::assertStringContainsString(
            'nipping press',
            (string) json_encode($this->at($page, 'entries', 0, 'children', 0, 'children', 0, 'piece', 'html')),
        );
        self::assertTrue($this->at($this->get('/api/places/'.DemoId::of('pages/our-story')), 'laidOut'));
        $this->publish();
        $after = $this->visit('/about-us/two-people-and-a-press');
        self::assertSame($before, self::text($after));
        self::assertStringContainsString('class="band', self::main($after));
        // Once is enough; and taken back, it is a page of words again.
        $this->send('POST', '/api/places/'.DemoId::of('pages/our-story').'/layout');
        self::assertSame(422, $this->code());
        $this->send('POST', '/api/undo');
        self::assertSame(200, $this->code());
        self::assertFalse($this->at($this->get('/api/places/'.DemoId::of('pages/our-story')), 'laidOut'));
        $this->publish();
        self::assertStringNotContainsString('class="band', self::main($this->visit('/about-us/two-people-and-a-press')));
        self::assertSame($before, self::text($this->visit('/about-us/two-people-and-a-press')));
        $this->send('POST', '/api/redo');
        self::assertSame(200, $this->code());
        self::assertTrue($this->at($this->get('/api/places/'.DemoId::of('pages/our-story')), 'laidOut'));
    }

    public function testADropdownBecomesAPanelThatKeepsItsLinks(): void
    {
        $menu = DemoId::of('menus/header');
        $threads = DemoId::of('entries/header/2');
        $panel = $this->send('POST', "/api/menus/$menu/panels/$threads");
        self::assertSame(200, $this->code());
        self::assertSame(['panel', $menu], [$this->at($panel, 'kind'), $this->at($panel, 'ofMenu')]);
        self::assertTrue($this->at($this->get("/api/menus/$menu"), 'entries', 2, 'opensPanel'));
        $this->publish();
        $shop = (string) $this->visit('/')->getContent();
        $shown = substr($shop, (int) strpos($shop, "id=\"below-$threads\""), 4000);
        foreach (['/threads-and-cords/linen-thread', '/threads-and-cords/silk', '/threads-and-cords/cords-and-tapes'] as $address) {
            self::assertStringContainsString("href=\"$address\"", $shown);
        }
        // Made empty, the plain dropdown is back.
        $this->send(
            'POST',
            "/api/menus/$threads/moves",
            ['type' => 'remove', 'entryId' => $this->at($panel, 'entries', 0, 'id')],
            '"'.self::integer($this->at($panel, 'version')).'"',
        );
        self::assertSame(200, $this->code());
        $this->publish();
        self::assertStringContainsString('<div class="dropdown" id="below-'.$threads.'">', (string) $this->visit('/')->getContent());
        // Of the first level only.
        $this->send('POST', "/api/menus/$menu/panels/".$this->value('SELECT id FROM entry WHERE parent_id = ? LIMIT 1', $threads));
        self::assertSame(422, $this->code());
        self::assertStringContainsString('first level', (string) json_encode($this->at($this->answer(), 'detail')));
    }

    public function testPiecesFollowAddressesAndLightsAndRemovals(): void
    {
        [$page, $column] = $this->laidOut();
        $makers = DemoId::of('pages/makers');
        $this->add(
            $page,
            $column,
            ['target' => ['kind' => 'place', 'placeId' => $makers], 'label' => null, 'piece' => ['kind' => 'button']],
        );
        $this->add(
            $page,
            $column,
            [
                'target' => ['kind' => 'heading'],
                'label' => null,
                'piece' => ['kind' => 'words', 'html' => "<p>See <a href=\"place:$makers\">who makes it</a>.</p>"],
            ],
        );
        self::assertContains('text', array_column((array) $this->at($this->get("/api/places/$makers/mentions"), 'mentions'), 'kind'));
        $this->publish();
        [$title] = $this->titles([$makers]);
        $leads = fn (): array => $this->leads('/about-us/two-people-and-a-press', [$title, 'who makes it']);
        self::assertSame([$title => '/about-us/our-makers', 'who makes it' => '/about-us/our-makers'], $leads());
        // Another address: both follow.
        $this->send(
            'POST',
            '/api/addresses',
            ['wishes' => [[
                'place' => $makers,
                'seen' => $this->value('SELECT address FROM place WHERE id = ?', $makers),
                'to' => '/about-us/hands',
                'carryBelow' => false,
            ]]],
        );
        self::assertSame(200, $this->code(), (string) $this->browser->getResponse()->getContent());
        $this->publish();
        self::assertSame([$title => '/about-us/hands', 'who makes it' => '/about-us/hands'], $leads());
        // Quiet changes nothing that a hand has put on a page.
        $this->workbench()->executeStatement("UPDATE place SET light = 'quiet' WHERE id = ?", [$makers]);
        $this->publish();
        self::assertSame([$title => '/about-us/hands', 'who makes it' => '/about-us/hands'], $leads());
        // Closed: the button is not there.
        $this->workbench()->executeStatement("UPDATE place SET light = 'closed' WHERE id = ?", [$makers]);
        $this->publish();
        self::assertArrayNotHasKey($title, $leads());
        $this->workbench()->executeStatement("UPDATE place SET light = 'open' WHERE id = ?", [$makers]);
        // Removed, with another place for its visitors: button and words lead there; and all of it is taken back as one.
        $visit = DemoId::of('pages/visit');
        $this->send(
            'POST',
            "/api/places/$makers/removal",
            ['answer' => 'elsewhere', 'to' => $visit],
            '"'.self::integer($this->at($this->get("/api/places/$makers"), 'version')).'"',
        );
        self::assertSame(200, $this->code(), (string) $this->browser->getResponse()->getContent());
        $this->publish();
        [$other] = $this->titles([$visit]);
        self::assertSame(
            [$other => '/about-us/visit-the-workshop', 'who makes it' => '/about-us/visit-the-workshop'],
            $this->leads('/about-us/two-people-and-a-press', [$other, 'who makes it']),
        );
        $this->send('POST', '/api/undo');
        self::assertSame(200, $this->code());
        $this->publish();
        self::assertSame([$title => '/about-us/hands', 'who makes it' => '/about-us/hands'], $leads());
    }

    /**
     * @param array<string, string> $piece
     * @param string                $within the key of a place that it leads to, or shows
     */
    #[DataProvider('leading')]
    public function testEveryPieceFollowsItsPlace(array $piece, string $within): void
    {
        [$page, $column] = $this->laidOut();
        $place = DemoId::of($within);
        $target = ['kind' => 'place', 'placeId' => $place];
        $below = [['id' => (new UuidV7())->toRfc4122(), 'target' => $target, 'label' => null]];
        $holds = \in_array($piece['kind'], ['links', 'cards'], true);
        $this->add(
            $page,
            $column,
            [
                'target' => $holds || 'words' === $piece['kind'] ? ['kind' => 'heading'] : $target,
                'label' => null,
                'piece' => array_map(static fn (string $value): string => str_replace('ID', $place, $value), $piece),
                'children' => $holds ? $below : [],
            ],
        );
        // What stands last is no heading of anything.
        $this->add(
            $page,
            $column,
            ['target' => ['kind' => 'heading'], 'label' => null, 'piece' => ['kind' => 'words', 'html' => '<p>The end.</p>']],
        );
        $shown = function (): string {
            $this->publish();

            return self::main($this->visit('/about-us/two-people-and-a-press'));
        };
        $address = fn (): string => 'href="'.$this->value('SELECT address FROM place WHERE id = ?', $place).'"';
        $before = $address();
        self::assertStringContainsString($before, $shown());
        $this->send(
            'POST',
            '/api/addresses',
            ['wishes' => [[
                'place' => $place,
                'seen' => substr($before, 6, -1),
                'to' => '/moved/'.basename($within).('file' === $piece['kind'] ? '.pdf' : ''),
                'carryBelow' => false,
            ]]],
        );
        self::assertSame(200, $this->code(), (string) $this->browser->getResponse()->getContent());
        $after = $address();
        self::assertNotSame($before, $after);
        $page = $shown();
        self::assertStringContainsString($after, $page);
        self::assertStringNotContainsString($before, $page);
        $this->workbench()->executeStatement("UPDATE place SET light = 'quiet' WHERE id = ?", [$place]);
        // Where a hand led a page to it, it goes on leading there; what mentions places as a menu does leaves it out.
        self::assertSame(!$holds, str_contains($shown(), $after));
        $this->workbench()->executeStatement("UPDATE place SET light = 'closed' WHERE id = ?", [$place]);
        // Words keep their link to a closed place, which answers for itself.
        self::assertSame('words' === $piece['kind'], str_contains($shown(), $after));
        $this->workbench()->executeStatement("UPDATE place SET light = 'open' WHERE id = ?", [$place]);
        if ('product' !== $this->value('SELECT kind FROM place WHERE id = ?', $place)) {
            $this->send(
                'POST',
                "/api/places/$place/removal",
                ['answer' => 'gone', 'to' => null],
                '"'.self::integer($this->at($this->get("/api/places/$place"), 'version')).'"',
            );
            self::assertSame(200, $this->code(), (string) $this->browser->getResponse()->getContent());
            self::assertStringNotContainsString($after, $shown());
            $this->send('POST', '/api/undo');
            self::assertSame(200, $this->code());
            self::assertStringContainsString($after, $shown());
        }
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function leading(): iterable
    {
        yield 'words' => [['kind' => 'words', 'html' => '<p><a href="place:ID">Them</a></p>'], 'pages/makers'];
        yield 'a heading' => [['kind' => 'heading'], 'pages/makers'];
        yield 'a picture' => [['kind' => 'picture', 'name' => 'paper-paste-1.svg', 'shows' => 'Paste paper'], 'pages/makers'];
        yield 'a file of the shop as a picture' => [
            [
                'kind' => 'picture',
                'name' => 'uploads/'.hash_file('sha256', \dirname(__DIR__, 3).'/src/Demo/data/media/folding-a-sheet.png').'.png',
                'shows' => 'A sheet, half folded',
            ],
            'pages/makers',
        ];
        yield 'a button' => [['kind' => 'button'], 'pages/makers'];
        yield 'links' => [['kind' => 'links'], 'pages/makers'];
        yield 'cards' => [['kind' => 'cards'], 'pages/makers'];
        yield 'one product' => [['kind' => 'product'], 'products/bone-folder-pointed'];
        yield 'a file' => [['kind' => 'file'], 'files/grain-chart'];
    }

    public function testWordsOfPiecesAreCleanedAndTypedAddressesBecomeReferences(): void
    {
        [$page, $column] = $this->laidOut();
        $answer = $this->add(
            $page,
            $column,
            [
                'target' => ['kind' => 'heading'],
                'label' => null,
                'piece' => ['kind' => 'words', 'html' => '<p onclick="x()">Our <a href="/papers">papers</a></p><script>x()</script>'],
            ],
        );
        $html = (string) json_encode($answer, \JSON_UNESCAPED_SLASHES);
        self::assertStringContainsString('place:'.DemoId::of('categories/papers'), $html);
        self::assertStringNotContainsString('onclick', $html);
        self::assertStringNotContainsString('<script', $html);
    }

    /** What two people do in one page at once is merged as in menus; what one did is taken back by one. */
    public function testTwoPeopleOnOnePage(): void
    {
        [$page, $column, $version] = $this->laidOut();
        $this->add(
            $page,
            $column,
            ['target' => ['kind' => 'heading'], 'label' => 'Mine', 'piece' => ['kind' => 'heading', 'level' => 2]],
            $version,
        );
        $this->signIn('owner');
        $both = $this->add(
            $page,
            $column,
            ['target' => ['kind' => 'heading'], 'label' => 'Theirs', 'piece' => ['kind' => 'heading', 'level' => 3]],
            $version,
        );
        $json = (string) json_encode($both);
        self::assertStringContainsString('Mine', $json);
        self::assertStringContainsString('Theirs', $json);
        $this->send('POST', '/api/undo');
        $json = (string) json_encode($this->get("/api/menus/$page"));
        self::assertStringContainsString('Mine', $json);
        self::assertStringNotContainsString('Theirs', $json);
    }

    /** @param array<string, mixed> $entry */
    #[DataProvider('bad')]
    public function testBadInputIsRefusedAndEverythingStaysAsItWas(array $entry, string $says): void
    {
        [$page, $column, $version] = $this->laidOut();
        $before = $this->get("/api/menus/$page");
        $this->add($page, $column, $entry + ['target' => ['kind' => 'heading'], 'label' => null], $version, 422);
        self::assertStringContainsString(
            $says,
            (string) json_encode($this->at($this->answer(), 'detail'), \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES),
        );
        self::assertSame($before, $this->get("/api/menus/$page"));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function bad(): iterable
    {
        $one = static fn (array $piece, array $children = [], ?string $label = null): array => [
            'id' => (new UuidV7())->toRfc4122(),
            'target' => ['kind' => 'heading'],
            'label' => $label,
            'piece' => $piece,
            'children' => $children,
        ];
        yield 'tabs within tabs' => [
            $one(
                ['kind' => 'tabs'],
                [$one(['kind' => 'tab'], [$one(['kind' => 'band'], [$one(['kind' => 'column'], [$one(['kind' => 'tabs'])])])], 'One')],
            ),
            'Tabs do not stand within tabs',
        ];
        yield 'a panel in a page' => [$one(['kind' => 'panel']), 'does not stand in a column'];
        yield 'a colour that is none' => [$one(['kind' => 'band', 'ground' => ['colour' => 'red; background: url(//x)']]), 'is no colour'];
        yield 'a picture of elsewhere' => [$one(['kind' => 'picture', 'name' => '../../etc/passwd']), 'pictures of the shop'];
        yield 'a picture that was never uploaded' => [
            $one(['kind' => 'picture', 'name' => 'uploads/'.str_repeat('0', 64).'.png']),
            'no such picture',
        ];
        yield 'a column of nothing' => [$one(['kind' => 'band'], [$one(['kind' => 'column', 'share' => 0])]), 'from 1 to 12 parts'];
        yield 'a kind that is none' => [$one(['kind' => 'hologram']), 'kind'];
        yield 'products of a place that is not there' => [
            ['piece' => ['kind' => 'products'], 'target' => ['kind' => 'place', 'placeId' => '019344a0-1c00-7000-8000-000000000000']],
            'no longer there',
        ];
        yield 'too many pieces' => [
            $one(
                ['kind' => 'links'],
                array_map(
                    static fn (int $n): array => ['id' => (new UuidV7())->toRfc4122(), 'target' => ['kind' => 'heading'], 'label' => "L$n"],
                    range(1, 500),
                ),
            ),
            'at most 500',
        ];
    }

    public function testWhatBecomesOfPiecesIsToldBeforeAPlaceGoes(): void
    {
        [$page, $column] = $this->laidOut();
        $makers = DemoId::of('pages/makers');
        $this->add(
            $page,
            $column,
            ['target' => ['kind' => 'place', 'placeId' => $makers], 'label' => 'Who makes it', 'piece' => ['kind' => 'button']],
        );
        $title = $this->value('SELECT title FROM place WHERE id = ?', $page);
        $told = json_encode(
            $this->send('POST', "/api/places/$makers/removal-plan", ['answer' => 'not-found']),
            \JSON_UNESCAPED_UNICODE | \JSON_THROW_ON_ERROR,
        );
        self::assertSame(200, $this->code(), $told);
        self::assertStringContainsString("Pieces that lead here are taken out of “{$title}”", $told);
    }

    /** Whatever form the demo, or an older program, wrote it in. */
    public function testAPieceThatIsChangedAndChangedBackWaitsForNothing(): void
    {
        $page = $this->value("SELECT id FROM place WHERE kind = 'front-page'");
        $menu = $this->get("/api/menus/$page");
        $band = $this->at($menu, 'entries', 0);
        self::assertIsArray($band);
        self::assertSame([], $this->at($this->get('/api/waiting'), 'changes'));
        $piece = $this->at($band, 'piece');
        self::assertIsArray($piece);
        foreach ([['gap' => 44] + $piece, $piece] as $written) {
            $version = self::integer($this->at($this->get("/api/menus/$page"), 'version'));
            $this->send(
                'POST',
                "/api/menus/$page/moves",
                ['type' => 'rewrite', 'entry' => ['piece' => $written, 'label' => null, 'children' => []] + $band],
                "\"$version\"",
            );
            self::assertSame(200, $this->code(), (string) $this->browser->getResponse()->getContent());
        }
        self::assertSame([], $this->at($this->get('/api/waiting'), 'changes'));
    }

    public function testADuplicateTakesThePiecesAlong(): void
    {
        [$page, $column] = $this->laidOut();
        $this->add(
            $page,
            $column,
            [
                'target' => ['kind' => 'place', 'placeId' => DemoId::of('pages/makers')],
                'label' => 'Who makes it',
                'piece' => ['kind' => 'button'],
            ],
        );
        $copy = $this->at($this->send('POST', "/api/places/$page/duplicate"), 'id');
        self::assertIsString($copy);
        [$mine, $theirs] = [$this->get("/api/menus/$page"), $this->get("/api/menus/$copy")];
        self::assertSame('Who makes it', $this->at($theirs, 'entries', 0, 'children', 0, 'children', 1, 'label'));
        self::assertSame(
            $this->at($mine, 'entries', 0, 'children', 0, 'children', 0, 'piece'),
            $this->at($theirs, 'entries', 0, 'children', 0, 'children', 0, 'piece'),
        );
        self::assertNotSame($this->at($mine, 'entries', 0, 'id'), $this->at($theirs, 'entries', 0, 'id'));
        // Taken back as one, and made again as one.
        $this->send('POST', '/api/undo');
        $this->get("/api/places/$copy");
        self::assertSame(404, $this->code());
        $this->send('POST', '/api/redo');
        self::assertSame('Who makes it', $this->at($this->get("/api/menus/$copy"), 'entries', 0, 'children', 0, 'children', 1, 'label'));
    }

    public function testOtherProgramsGetPanelsResolved(): void
    {
        $navigation = json_decode((string) $this->visit('/navigation.json')->getContent(), true);
        $panel = $this->at($navigation, 'bays', 'header', 'entries', 0, 'panel', 0);
        self::assertSame(['panel', 'band'], [$this->at($panel, 'kind'), $this->at($panel, 'pieces', 0, 'kind')]);
        self::assertSame('/papers/marbled', $this->at($panel, 'pieces', 0, 'pieces', 0, 'pieces', 0, 'address'));
    }

    /** What goes out as a file comes in again in another page, with all pieces and where they lead. */
    public function testAPageGoesOutAsAFileAndComesInInAnother(): void
    {
        [$page, $column] = $this->laidOut();
        $papers = DemoId::of('categories/papers');
        $this->add(
            $page,
            $column,
            [
                'target' => ['kind' => 'place', 'placeId' => $papers],
                'label' => 'All papers',
                'piece' => ['kind' => 'button', 'main' => false],
            ],
        );
        $this->add(
            $page,
            $column,
            [
                'target' => ['kind' => 'heading'],
                'label' => null,
                'piece' => ['kind' => 'words', 'html' => "<p>Our <a href=\"place:$papers\">papers</a>.</p>"],
            ],
        );
        $this->add(
            $page,
            $column,
            [
                'target' => ['kind' => 'place', 'placeId' => $papers],
                'label' => null,
                'piece' => ['kind' => 'products', 'most' => 3, 'form' => 'row'],
            ],
        );
        $file = $this->file("/api/menus/$page/export.json");
        self::assertStringContainsString('"leads": "/papers"', $file);
        self::assertStringNotContainsString($papers, $file, 'another shop has other ids');
        $lines = (array) $this->at($this->send('POST', '/api/outlines', ['content' => $file]), 'lines');
        self::assertSame([1, 2, 3, 3, 3, 3], array_column($lines, 'level'));
        $pieces = array_map(fn (mixed $line): mixed => $this->at($line, 'entry', 'piece', 'kind'), $lines);
        self::assertSame(['band', 'column', 'words', 'button', 'words', 'products'], $pieces);
        self::assertSame(
            ['place', $papers],
            [$this->at($lines[3], 'entry', 'target', 'kind'), $this->at($lines[3], 'entry', 'target', 'placeId')],
        );
        self::assertFalse($this->at($lines[3], 'entry', 'piece', 'main'));
        self::assertSame(3, $this->at($lines[5], 'entry', 'piece', 'most'));
        // In another page the addresses in its words are references again.
        $makers = DemoId::of('pages/makers');
        $made = $this->send('POST', "/api/places/$makers/layout");
        $into = $this->at($made, 'entries', 0, 'children', 0, 'id');
        self::assertIsString($into);
        $words = (array) $this->at($lines[4], 'entry');
        $after = $this->add($makers, $into, ['piece' => $words['piece'], 'target' => $words['target'], 'label' => null]);
        self::assertStringContainsString("place:$papers", (string) json_encode($after));
    }

    /** What of a panel the phone's drawer shows: headings and links, and such pieces as say so, once each. */
    public function testPiecesStandInThePhonesDrawerWhereTheySaySo(): void
    {
        $drawer = fn (): string => 1 === preg_match(
            '#<details class="drawer">.*?</nav>#s',
            (string) $this->visit('/')->getContent(),
            $found,
        )
            ? $found[0]
            : '';
        self::assertStringContainsString('alt="A sheet of paste paper"', $drawer());
        self::assertStringNotContainsString('product-card', $drawer(), 'products are a list of links');
        self::assertStringNotContainsString('id="p-', $drawer(), 'nothing is on the page under one id twice');
        $panel = $this->at($this->send('GET', '/api/menus/'.DemoId::of('menus/header')), 'entries', 0, 'id');
        self::assertIsString($panel);
        foreach ([
            ['picture', false, 'alt="A sheet of paste paper"', false],
            ['products', true, 'product-card', true],
        ] as [$kind, $inDrawer, $said, $there]) {
            $menu = $this->send('GET', "/api/menus/$panel");
            $piece = (array) $this->pieceOf($kind, (array) $this->at($menu, 'entries'));
            $this->send(
                'POST',
                "/api/menus/$panel/moves",
                [
                    'type' => 'rewrite',
                    'entry' => ['piece' => ['inDrawer' => $inDrawer] + (array) $piece['piece'], 'children' => []] + $piece,
                ],
                '"'.self::integer($this->at($menu, 'version')).'"',
            );
            self::assertSame(200, $this->code());
            $this->publish();
            self::assertSame($there, str_contains($drawer(), $said), $said);
        }
    }

    /** @param array<mixed> $entries */
    private function pieceOf(string $kind, array $entries): mixed
    {
        foreach ($entries as $entry) {
            $piece = (array) $this->at($entry, 'piece');
            $found = $kind === ($piece['kind'] ?? null) ? $entry : $this->pieceOf($kind, (array) $this->at($entry, 'children'));
            if (null !== $found) {
                return $found;
            }
        }

        return null;
    }

    /** A menu goes out as a file with the wide panels of its entries, and comes in again with them as one step. */
    public function testAMenuGoesOutWithItsPanelsAndComesInAgain(): void
    {
        $file = $this->file('/api/menus/'.DemoId::of('menus/header').'/export.json');
        $lines = (array) $this->at($this->send('POST', '/api/outlines', ['content' => $file]), 'lines');
        $papers = (array) ($lines[array_search(
            'Papers',
            array_map(fn (mixed $line): mixed => $this->at($line, 'place', 'title'), $lines),
            true,
        )] ?? []);
        $panel = (array) $papers['panel'];
        self::assertSame('panel', $this->at($panel, 'piece', 'kind'));
        self::assertSame(
            ['band', 'column'],
            [$this->at($panel, 'children', 0, 'piece', 'kind'), $this->at($panel, 'children', 0, 'children', 0, 'piece', 'kind')],
        );
        self::assertSame(
            DemoId::of('categories/marbled'),
            $this->at($panel, 'children', 0, 'children', 0, 'children', 0, 'target', 'placeId'),
            'addresses are references again',
        );
        self::assertNull($papers['problem']);
        $menu = DemoId::of('menus/spring-fair');
        $entry = ['id' => (new UuidV7())->toRfc4122()] + (array) $papers['entry'];
        $made = $this->send(
            'POST',
            "/api/menus/$menu/entries",
            ['entries' => [$entry], 'panels' => [$entry['id'] => $panel], 'at' => ['parentId' => null, 'index' => 0]],
        );
        self::assertTrue($this->at($made, 'entries', 0, 'opensPanel'));
        $in = $this->file("/api/menus/{$entry['id']}/export.json");
        self::assertSame(
            $this->at(json_decode($in, true), 'entries', 0),
            $this->at($this->panelOf($file, '/papers'), 'panel'),
            'nothing is lost on the way',
        );
        // One step back takes both out.
        $this->send('POST', '/api/undo');
        self::assertSame(200, $this->code());
        self::assertNotContains($entry['id'], array_column((array) $this->at($this->send('GET', "/api/menus/$menu"), 'entries'), 'id'));
        $this->send('GET', "/api/menus/{$entry['id']}");
        self::assertSame(404, $this->code());
    }

    public function testAPanelOpensOnlyBelowAnEntryOfTheFirstLevel(): void
    {
        $menu = DemoId::of('menus/spring-fair');
        $id = (new UuidV7())->toRfc4122();
        $entry = ['id' => $id, 'target' => ['kind' => 'heading'], 'label' => 'One'];
        $panel = ['id' => (new UuidV7())->toRfc4122(), 'target' => ['kind' => 'heading'], 'label' => null, 'piece' => ['kind' => 'panel']];
        $first = $this->at($this->send('GET', "/api/menus/$menu"), 'entries', 0, 'id');
        foreach ([
            ['entries' => [$entry], 'panels' => [$id => $panel], 'at' => ['parentId' => $first, 'index' => 0]],
            ['entries' => [$entry], 'panels' => [(new UuidV7())->toRfc4122() => $panel], 'at' => ['parentId' => null, 'index' => 0]],
            [
                'entries' => [$entry],
                'panels' => [$id => ['piece' => ['kind' => 'band']] + $panel],
                'at' => ['parentId' => null, 'index' => 0],
            ],
            ['entries' => array_fill(0, 1001, $entry), 'panels' => [], 'at' => ['parentId' => null, 'index' => 0]],
            ['entries' => [], 'panels' => [], 'at' => ['parentId' => null, 'index' => 0]],
            ['entries' => [$entry], 'panels' => ['no id' => $panel], 'at' => ['parentId' => null, 'index' => 0]],
            ['entries' => [$entry], 'panels' => [$id => 'words'], 'at' => ['parentId' => null, 'index' => 0]],
        ] as $body) {
            $this->send('POST', "/api/menus/$menu/entries", $body);
            self::assertSame(422, $this->code());
        }
        self::assertNotContains(
            $id,
            array_column((array) $this->at($this->send('GET', "/api/menus/$menu"), 'entries'), 'id'),
            'everything is as it was',
        );
    }

    /** @return array<mixed> the entry of a file that leads to an address */
    private function panelOf(string $file, string $leads): array
    {
        foreach ((array) $this->at(json_decode($file, true), 'entries') as $entry) {
            if ($leads === $this->at($entry, 'leads')) {
                return (array) $entry;
            }
        }
        self::fail("No entry leads to $leads.");
    }

    public function testPiecesStandInNoPlainMenu(): void
    {
        $menu = DemoId::of('menus/spring-fair');
        $this->send(
            'POST',
            "/api/menus/$menu/moves",
            [
                'type' => 'insert',
                'entry' => [
                    'id' => (new UuidV7())->toRfc4122(),
                    'target' => ['kind' => 'heading'],
                    'label' => 'x',
                    'piece' => ['kind' => 'divider'],
                ],
                'at' => ['parentId' => null, 'index' => 0],
            ],
            '"1"',
        );
        self::assertSame(422, $this->code());
        self::assertStringContainsString('Only links stand in a menu', (string) json_encode($this->at($this->answer(), 'detail')));
    }

    /** Styles of bands are let through the policy by their hash, and by nothing else. */
    public function testThePolicyNamesTheStylesOfThePage(): void
    {
        $response = $this->visit('/');
        self::assertSame(1, preg_match('#<style data-layout>(.*?)</style>#s', (string) $response->getContent(), $styles));
        self::assertSame(1, preg_match('#<style>(.*?)</style>#s', (string) $response->getContent(), $shop));
        self::assertStringContainsString('--own-ground:#fbf1d2', $styles[1]);
        $policy = (string) $response->headers->get('Content-Security-Policy');
        self::assertStringContainsString(
            "style-src 'self' 'sha256-".base64_encode(hash('sha256', $shop[1], true))."' 'sha256-"
                .base64_encode(hash('sha256', $styles[1], true))."'",
            $policy,
        );
        self::assertStringNotContainsString('unsafe', $policy);
    }

    public function testThePaleColourOfTheDemoIsToldWithTheOneThatWouldDo(): void
    {
        $panel = $this->get('/api/menus/'.DemoId::of('entries/header/4'));
        $advice = (array) $this->at($panel, 'entries', 0, 'children', 0, 'advice');
        self::assertSame(['link'], array_column($advice, 'name'));
        self::assertSame(1, preg_match('/"colour":"#[0-9a-f]{6}"/', (string) json_encode($advice[0])));
    }

    public function testProductsOfPiecesAreThoseOfTheCatalogueWithoutARelease(): void
    {
        $count = substr_count((string) $this->visit('/')->getContent(), 'reduced');
        self::assertStringContainsString('Awl, fine', (string) $this->visit('/')->getContent());
        $this->workbench()->executeStatement('UPDATE catalogue.product SET reduced_from = NULL');
        $after = (string) $this->visit('/?now')->getContent();
        self::assertStringNotContainsString(
            'Reduced for now',
            substr($after, 0, (int) strpos($after, '<main')),
            'a heading with nothing after it falls away',
        );
        self::assertGreaterThan(0, $count);
    }

    /** @return array{string, string, int} the page, its first column, its version */
    private function laidOut(): array
    {
        $page = DemoId::of('pages/our-story');
        $made = $this->send('POST', "/api/places/$page/layout");
        $column = $this->at($made, 'entries', 0, 'children', 0, 'id');

        return [$page, \is_string($column) ? $column : '', self::integer($this->at($made, 'version'))];
    }

    /** @param array<string, mixed> $entry */
    private function add(string $page, string $column, array $entry, ?int $version = null, int $code = 200): mixed
    {
        $version ??= self::integer($this->at($this->get("/api/menus/$page"), 'version'));
        $answer = $this->send(
            'POST',
            "/api/menus/$page/moves",
            ['type' => 'insert', 'entry' => $entry + ['id' => (new UuidV7())->toRfc4122()], 'at' => ['parentId' => $column, 'index' => 9]],
            "\"$version\"",
        );
        self::assertSame($code, $this->code(), (string) $this->browser->getResponse()->getContent());

        return $answer;
    }

    private function file(string $path): string
    {
        $this->browser->request('GET', $path);
        self::assertSame(200, $this->code());

        return (string) $this->browser->getResponse()->getContent();
    }

    private function answer(): mixed
    {
        return json_decode((string) $this->browser->getResponse()->getContent(), true);
    }

    private function publish(): void
    {
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
    }

    private function visit(string $path): Response
    {
        return $this->storefront->handle(Request::create($path));
    }

    /**
     * @param list<string> $words
     *
     * @return array<string, string> where the links with these words lead, in the page itself
     */
    private function leads(string $path, array $words): array
    {
        preg_match_all('#<a href="([^"]*)"[^>]*>([^<]*)</a>#', self::main($this->visit($path)), $found, \PREG_SET_ORDER);
        $leads = [];
        foreach ($found as [, $href, $label]) {
            if (\in_array(html_entity_decode($label), $words, true)) {
                $leads[html_entity_decode($label)] = $href;
            }
        }

        return $leads;
    }

    /**
     * @param list<string> $ids
     *
     * @return list<string>
     */
    private function titles(array $ids): array
    {
        return array_map(fn (string $id): string => $this->value('SELECT title FROM place WHERE id = ?', $id), $ids);
    }

    private static function text(Response $response): string
    {
        return trim((string) preg_replace('/\s+/', ' ', strip_tags(self::main($response))));
    }

    private static function main(Response $response): string
    {
        $page = (string) $response->getContent();

        return substr($page, (int) strpos($page, '<main'), (int) strpos($page, '</main>') - (int) strpos($page, '<main'));
    }

    private static function integer(mixed $value): int
    {
        return \is_int($value) ? $value : 0;
    }

    /** A page is found by what it says: by its pieces when it is laid out, and no longer by the words behind them. */
    public function testAPageThatIsLaidOutIsFoundByWhatItSays(): void
    {
        $story = DemoId::of('pages/our-story');
        $this->workbench()->executeStatement(
            'UPDATE words SET html = ? WHERE id = ?',
            ['<p>Once a quagga <a href="/no/such/page">stood</a> here.</p><h2 id="the-old">Old</h2>', $story],
        );
        $this->send('POST', "/api/places/$story/layout");
        self::assertSame(200, $this->code());
        $piece = $this->value("SELECT id FROM entry WHERE menu_id = ? AND piece ->> 'kind' = 'words'", $story);
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE entry SET piece = jsonb_set(piece, '{html}', to_jsonb(CAST(? AS text))) WHERE id = ?
            SQL, ['<p>Now a zebra does.</p><h2 id="the-new">New</h2>', $piece]);
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO entry (id, menu_id, parent_id, position, target_kind, label, piece, on_page)
            SELECT gen_random_uuid(), menu_id, parent_id, 9, 'heading', 'Gnu & okapi', '{"kind": "heading", "level": 2}', on_page
            FROM entry WHERE id = ?
            SQL, [$piece]);
        $found = fn (string $words): array => $this->service(\Lantern\Reading\Copies\Copies::class)->workbench->search->places(
            \Lantern\Core\Search\SearchWords::of($words),
            \Lantern\Core\Visitor::guest(new \DateTimeImmutable()),
        );
        self::assertSame([$story], $found('zebra'));
        self::assertSame([$story], $found('okapi'));
        self::assertSame([], $found('quagga'), 'what stands behind the layout is not found');
        $this->service(Inspection::class)->catchUp(CopyName::Workbench);
        self::assertSame('0', $this->value(<<<'SQL'
            SELECT count(*) FROM journal.finding WHERE copy = 'workbench' AND details ->> 'address' = '/no/such/page'
            SQL), 'nor is it checked');
        $this->workbench()->executeStatement(
            'UPDATE words SET html = ? WHERE id = ?',
            ['<p><a href="place:'.$story.'#the-old">old</a> <a href="place:'.$story.'#the-new">new</a></p>', DemoId::of('pages/makers')],
        );
        $this->service(Inspection::class)->catchUp(CopyName::Workbench);
        self::assertSame(['the-old'], $this->workbench()->fetchFirstColumn(<<<'SQL'
            SELECT details ->> 'part' FROM journal.finding WHERE copy = 'workbench' AND kind = 'part-missing' AND subject_id = ?
            SQL, [DemoId::of('pages/makers')]));
        // Without its pieces it shows its words again.
        $this->workbench()->executeStatement('DELETE FROM entry WHERE menu_id = ?', [$story]);
        $this->service(Inspection::class)->catchUp(CopyName::Workbench);
        self::assertContains($story, $found('quagga'));
        self::assertCount(0, $found('zebra'));
        self::assertSame('1', $this->value(<<<'SQL'
            SELECT count(*) FROM journal.finding WHERE copy = 'workbench' AND details ->> 'address' = '/no/such/page'
            SQL));
    }

    public function testWordsAreNotWrittenBehindALayout(): void
    {
        $story = DemoId::of('pages/our-story');
        $this->send('POST', "/api/places/$story/layout");
        $refused = $this->send(
            'PUT',
            "/api/places/$story/words",
            ['html' => '<p>Nobody would see this.</p>'],
            '"'.$this->value('SELECT version FROM place WHERE id = ?', $story).'"',
        );
        self::assertSame(422, $this->code());
        self::assertStringContainsString('laid out in pieces by now', (string) json_encode($refused));
    }

    /** What a piece says of itself stays whatever rewrites its words: cleaning, an address that changes, a mend. */
    public function testAPieceStaysInTheDrawerWhateverRewritesItsWords(): void
    {
        $kits = $this->value("SELECT m.id FROM menu m WHERE m.kind = 'panel' ORDER BY m.id LIMIT 1");
        $piece = $this->value("SELECT id FROM entry WHERE menu_id = ? AND piece ->> 'kind' = 'words' LIMIT 1", $kits);
        if ('' === $piece) {
            $piece = '01930000-0000-7000-8000-0000000000aa';
            $this->workbench()->executeStatement(<<<'SQL'
                INSERT INTO entry (id, menu_id, parent_id, position, target_kind, piece)
                SELECT ?, menu_id, id, 99, 'heading', '{"kind": "words", "html": "<p>x</p>", "inDrawer": true}' FROM entry
                WHERE menu_id = ? AND piece ->> 'kind' = 'column' LIMIT 1
                SQL, [$piece, $kits]);
        }
        $this->workbench()->executeStatement(
            "UPDATE entry SET piece = piece || '{\"inDrawer\": true, \"html\": \"<p><a href=\\\"/papers/plain\\\">typed</a></p>\"}' WHERE "
                .'id = ?',
            [$piece],
        );
        $inDrawer = fn (): string => $this->value("SELECT piece ->> 'inDrawer' FROM entry WHERE id = ?", $piece);
        $this->service(\Lantern\Workbench\Addresses\AddressEditor::class)->change(
            [new \Lantern\Workbench\Addresses\AddressWish(DemoId::of('categories/plain'), '/papers/plain', '/papers/simple')],
            $this->actor(),
        );
        self::assertStringContainsString(
            'place:',
            $this->value("SELECT piece ->> 'html' FROM entry WHERE id = ?", $piece),
            'its typed link was rewritten',
        );
        self::assertSame('true', $inDrawer());
        $menu = $this->get("/api/menus/$kits");
        $line = (array) $this->pieceOf('words', (array) $this->at($menu, 'entries'));
        self::assertSame($piece, $line['id']);
        $this->send(
            'POST',
            "/api/menus/$kits/moves",
            [
                'type' => 'rewrite',
                'entry' => ['piece' => ['html' => '<p onclick="x">a</p>'] + (array) $line['piece'], 'children' => []] + $line,
            ],
            '"'.self::integer($this->at($menu, 'version')).'"',
        );
        self::assertSame(200, $this->code(), (string) $this->browser->getResponse()->getContent());
        self::assertSame(['<p>a</p>', 'true'], [$this->value("SELECT piece ->> 'html' FROM entry WHERE id = ?", $piece), $inDrawer()]);
    }
}
