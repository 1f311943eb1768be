<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Menu;

use Lantern\Core\Looks\LooksSet;
use Lantern\Demo\DemoId;
use Lantern\Tests\Admin\ApiTestCase;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\UuidV7;

final class MenusTest extends ApiTestCase
{
    public function testAMoveIsMadeForTheVersionItWasMeantFor(): void
    {
        $menu = $this->get('/api/menus/'.DemoId::of('menus/header'));
        self::assertSame(200, $this->code());
        self::assertSame(1, $this->version());
        self::assertSame('Papers', $this->at($menu, 'entries', 0, 'label'));
        self::assertSame(
            'Its place is quiet: it opens at its address, but no menu shows it.',
            $this->at($menu, 'entries', 6, 'children', 3, 'leftOut'),
        );

        $after = $this->send('POST', $this->moves(), $this->heading('New'), '"1"');
        self::assertSame([200, 2], [$this->code(), $this->version()]);
        self::assertSame('New', $this->at($after, 'entries', 0, 'label'));

        $late = $this->send('POST', $this->moves(), $this->heading('Late'), '"1"');
        self::assertSame([200, 3], [$this->code(), $this->version()], 'what others did meanwhile is merged with');
        self::assertContains('New', array_column((array) $this->at($late, 'entries'), 'label'));
        self::assertContains('Late', array_column((array) $this->at($late, 'entries'), 'label'));

        $this->workbench()->executeStatement('DELETE FROM journal.menu_change');
        $stale = $this->send('POST', $this->moves(), $this->heading('Too late'), '"1"');
        self::assertSame([412, 'application/problem+json'], [$this->code(), $this->header('Content-Type')]);
        self::assertSame(3, $this->at($stale, 'current', 'version'), 'the current state comes with the refusal');

        $this->send('POST', $this->moves(), $this->heading('Without'));
        self::assertSame(428, $this->code());
    }

    public function testAStepIsTakenBackAndMadeAgain(): void
    {
        $labels = fn (): mixed => $this->at($this->get('/api/menus/'.DemoId::of('menus/header')), 'entries', 0, 'label');
        $this->send('POST', '/api/undo');
        self::assertSame(422, $this->code(), 'there is nothing to undo');
        $this->send('POST', $this->moves(), $this->heading('New'), '"1"');
        $step = 'A step in the menu “Header”';
        self::assertSame(['undo' => $step, 'redo' => null, 'done' => null, 'menuId' => null], $this->get('/api/history'));
        self::assertSame(
            ['undo' => null, 'redo' => $step, 'done' => $step, 'menuId' => DemoId::of('menus/header')],
            $this->send('POST', '/api/undo'),
        );
        self::assertSame('Papers', $labels());
        self::assertSame(
            [$step, null],
            [$this->at($this->send('POST', '/api/redo'), 'undo'), $this->at($this->get('/api/history'), 'redo')],
        );
        self::assertSame('New', $labels());
    }

    public function testTheMapDrawsWhatAVisitorSees(): void
    {
        $frame = $this->get('/api/frame');
        self::assertSame(
            ['header', 'second-row', 'drawer', 'footer-6', 'footer-1', 'footer-2', 'footer-5', 'footer-3', 'footer-4', 'last-line'],
            array_column((array) $this->at($frame, 'bays'), 'id'),
        );
        self::assertSame(
            ['Papers', 4],
            [$this->at($frame, 'bays', 0, 'entries', 0, 'label'), $this->at($frame, 'bays', 0, 'entries', 0, 'below')],
        );
        self::assertSame(['Spring fair', []], [$this->at($frame, 'menus', 3, 'name'), $this->at($frame, 'menus', 3, 'bays')]);
    }

    public function testTheHeaderIsShapedBySettingsOfItsOwnAndEachIsTakenBack(): void
    {
        $set = fn (string $setting, ?string $words): mixed => $this->send(
            'POST',
            '/api/frame/changes',
            ['type' => 'header', 'setting' => $setting, 'words' => $words],
        );
        $before = $this->at($this->get('/api/frame'), 'header');
        $measured = $this->at($before, 'takesOverBelow');
        self::assertSame(
            [
                'form' => 'row',
                'entries' => 'start',
                'mark' => 'angle',
                'drawerBelow' => null,
                'takesOverBelow' => $measured,
                'stays' => true,
                'fades' => false,
                'opens' => 'hover',
                'tabletBelow' => null,
                'markDrawn' => '',
                'markOpen' => '',
                'secondBelow' => false,
                'wordmark' => null,
                'wordmarkWords' => '',
            ],
            $before,
        );
        self::assertGreaterThan(900, $measured);
        $set('header_drawer_below', '800');
        $set('header_entries', 'middle');
        $after = $set('header_form', 'drawer');
        self::assertSame(
            ['drawer', 'middle', 800, 800],
            [
                $this->at($after, 'header', 'form'),
                $this->at($after, 'header', 'entries'),
                $this->at($after, 'header', 'drawerBelow'),
                $this->at($after, 'header', 'takesOverBelow'),
            ],
        );
        self::assertSame('', $this->at($after, 'fit', 'words'), 'nothing has to fit into a row');
        $waiting = json_encode($this->get('/api/waiting'), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
        foreach ([
            'The header is a drawer, on a desk, too.',
            'The entries of the header stand in its middle.',
            'The phone’s drawer takes over below 800 px.',
        ] as $sentence) {
            self::assertStringContainsString($sentence, $waiting);
        }
        foreach ([
            ['header_drawer_below', '0'],
            ['header_drawer_below', '99999'],
            ['header_form', 'pyramid'],
            ['header_sky', 'blue'],
            ['notice', 'x'],
            ['header_form', null],
        ] as [$setting, $words]) {
            $set($setting, $words);
            self::assertSame(422, $this->code(), "$setting $words");
        }
        self::assertSame($this->at($after, 'header'), $this->at($this->get('/api/frame'), 'header'), 'everything is as it was');
        foreach ([1, 2, 3] as $step) {
            $this->send('POST', '/api/undo');
            self::assertSame(200, $this->code(), "step $step");
        }
        self::assertSame($before, $this->at($this->get('/api/frame'), 'header'));
    }

    public function testAMarkOfOnesOwnIsCleanedAndAWordMarkIsAPictureOfTheShop(): void
    {
        $set = fn (string $setting, string $words): mixed => $this->send(
            'POST',
            '/api/frame/changes',
            ['type' => 'header', 'setting' => $setting, 'words' => $words],
        );
        $set('header_mark', 'drawn');
        self::assertSame(422, $this->code(), 'none is drawn yet');
        $after = $set('header_mark_drawn', '<svg viewBox="0 0 12 12"><script>x()</script><path d="M2 2h8" onclick="x()"/></svg>');
        self::assertSame(
            ['drawn', '<svg viewBox="0 0 12 12" width="11" height="11" aria-hidden="true"><path d="M2 2h8"></path></svg>'],
            [$this->at($after, 'header', 'mark'), $this->at($after, 'header', 'markDrawn')],
        );
        $set('header_mark_open', 'a cross');
        self::assertSame(422, $this->code());
        $set('header_tablet_below', '1000');
        $set('header_second', 'below');
        $picture = fn (string $name): mixed => $this->send('POST', '/api/frame/changes', ['type' => 'wordmark', 'words' => $name]);
        foreach (['../../../etc/passwd', 'uploads/none.svg', 'x y.svg'] as $wrong) {
            $picture($wrong);
            self::assertSame(422, $this->code(), $wrong);
        }
        $after = $picture('hero.svg');
        self::assertSame(
            ['hero.svg', 1000, true],
            [
                $this->at($after, 'header', 'wordmark'),
                $this->at($after, 'header', 'tabletBelow'),
                $this->at($after, 'header', 'secondBelow'),
            ],
        );
        $words = $this->send('POST', '/api/frame/changes', ['type' => 'last-line', 'words' => 'Cut in the valley.']);
        self::assertSame('Cut in the valley.', $this->at($words, 'lastLine'));
        $this->send('POST', '/api/frame/changes', ['type' => 'last-line', 'words' => str_repeat('x', 301)]);
        self::assertSame(422, $this->code());
        $waiting = json_encode($this->get('/api/waiting'), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
        foreach ([
            'A picture stands in the header as word mark.',
            'The second row stands below the header.',
            'On tablets the drawer takes over below 1000 px.',
            'The shop’s own mark for what opens is drawn anew.',
            'The last line says “Cut in the valley.”.',
        ] as $sentence) {
            self::assertStringContainsString($sentence, $waiting);
        }
    }

    public function testASignUpThatStandsTwiceIsToldAndTakenOutByOneAct(): void
    {
        $doubles = fn (): array => (array) $this->at(
            array_column((array) $this->at($this->get('/api/frame'), 'bays'), null, 'id'),
            'footer-5',
            'doubles',
        );
        $double = $this->at($doubles(), 0);
        self::assertSame('“Front page” has a sign-up of its own for “Letters”, and this one below it.', $this->at($double, 'words'));
        $menu = $this->at($double, 'menuId');
        self::assertIsString($menu);
        $version = $this->at($double, 'version');
        self::assertIsInt($version);
        $this->send('POST', "/api/menus/$menu/moves", ['type' => 'remove', 'entryId' => $this->at($double, 'otherId')], "\"$version\"");
        self::assertSame(200, $this->code());
        self::assertSame([], $doubles());
        $this->send('POST', '/api/undo');
        self::assertCount(1, $doubles());
    }

    public function testWhatACustomerWouldSee(): void
    {
        $this->workbench()->executeStatement("UPDATE place SET audience = 'guests' WHERE address = '/tools'");
        $leftOut = fn (string $audience): mixed => $this->at(
            $this->get('/api/menus/'.DemoId::of('menus/header')."?audience=$audience"),
            'entries',
            3,
            'leftOut',
        );
        self::assertNull($leftOut('guest'));
        self::assertSame('Its place is meant for another audience.', $leftOut('customer'));
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('badMoves')]
    public function testABadMoveNamesTheFieldAndTheWayOut(array $body, string $field, string $says): void
    {
        $problem = $this->send('POST', $this->moves(), $body, '"1"');
        self::assertSame([422, $field], [$this->code(), $this->at($problem, 'field')]);
        self::assertStringContainsString(
            $says,
            (string) json_encode($this->at($problem, 'detail'), \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES),
        );
        self::assertSame('1', $this->value('SELECT version FROM menu WHERE id = ?', DemoId::of('menus/header')));
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function badMoves(): iterable
    {
        $id = '019344a0-0000-7000-8000-000000000001';
        $entry = ['id' => $id, 'target' => ['kind' => 'heading'], 'label' => 'Fine'];
        $at = ['parentId' => null, 'index' => 0];
        yield 'no type' => [[], 'type', 'type'];
        yield 'an unknown type' => [['type' => 'explode'], 'type', 'A move is one of'];
        yield 'a label too long' => [
            ['type' => 'insert', 'entry' => ['label' => str_repeat('x', 201)] + $entry, 'at' => $at],
            'label',
            'at most 200 characters; this one has 201',
        ];
        yield 'no label' => [['type' => 'insert', 'entry' => ['label' => null] + $entry, 'at' => $at], 'label', 'Type a label'];
        yield 'an unknown place' => [
            ['type' => 'insert', 'entry' => ['target' => ['kind' => 'place', 'placeId' => $id]] + $entry, 'at' => $at],
            'target',
            'no longer there',
        ];
        yield 'a place that is no id' => [
            ['type' => 'insert', 'entry' => ['target' => ['kind' => 'place', 'placeId' => '1']] + $entry, 'at' => $at],
            'entry.target.placeId',
            'an id',
        ];
        yield 'a dangerous address' => [
            ['type' => 'insert', 'entry' => ['target' => ['kind' => 'outside', 'uri' => 'javascript:alert(1)']] + $entry, 'at' => $at],
            'target',
            'https://',
        ];
        yield 'a fourth level' => [
            ['type' => 'insert', 'entry' => $entry, 'at' => ['parentId' => DemoId::of('entries/header/0/0/0'), 'index' => 0]],
            'parent',
            'at most 3 levels',
        ];
        yield 'a deep subtree' => [
            [
                'type' => 'insert',
                'entry' => ['children' => [['children' => [['children' => [$entry]] + $entry]] + $entry]] + $entry,
                'at' => $at,
            ],
            'entry.children',
            'at most 3 levels',
        ];
        yield 'a negative position' => [
            ['type' => 'insert', 'entry' => $entry, 'at' => ['parentId' => null, 'index' => -1]],
            'at.index',
            'whole number',
        ];
        yield 'an entry that is not there' => [['type' => 'remove', 'entryId' => $id], 'entry', 'no longer'];
        yield 'a date that is none' => [
            ['type' => 'insert', 'entry' => ['from' => 'soon'] + $entry, 'at' => $at],
            'entry.from',
            'A moment',
        ];
        yield 'dates the wrong way round' => [
            ['type' => 'insert', 'entry' => ['from' => '2026-03-02', 'until' => '2026-03-01'] + $entry, 'at' => $at],
            'closesOn',
            'end',
        ];
        yield 'an audience that is none' => [
            ['type' => 'insert', 'entry' => ['audience' => 'friends'] + $entry, 'at' => $at],
            'entry.audience',
            'everyone, guests, customers',
        ];
        yield 'children that are no list' => [
            ['type' => 'insert', 'entry' => ['children' => 'none'] + $entry, 'at' => $at],
            'entry.children',
            'a list',
        ];
    }

    public function testAPlaceIsEditedAndReaddressed(): void
    {
        $path = '/api/places/'.DemoId::of('pages/care-of-paper');
        $sheet = $this->get($path);
        self::assertSame(
            ['Care of paper', 1, ['Footer, the shop'], '/binding-guides/care-of-paper'],
            [
                $this->at($sheet, 'place', 'title'),
                $this->at($sheet, 'version'),
                $this->at($sheet, 'menus'),
                $this->at($sheet, 'liveAddress'),
            ],
        );
        $wish = ['place' => DemoId::of('pages/care-of-paper'), 'seen' => '/binding-guides/care-of-paper', 'to' => '/Paper-Care/'];
        $plan = $this->send('POST', '/api/addresses/plan', ['wishes' => [$wish]]);
        self::assertSame(['/paper-care', null], [$this->at($plan, 'lines', 0, 'address'), $this->at($plan, 'lines', 0, 'problem')]);
        self::assertStringContainsString('stands in Code on the parcel label (printed code)', (string) json_encode($plan));
        self::assertSame('0', $this->value(<<<'SQL'
            SELECT count(*) FROM redirect WHERE source = '/binding-guides/care-of-paper'
            SQL), 'a plan does nothing');
        self::assertSame(
            '“Care of paper” stands at /paper-care now.',
            $this->at($this->send('POST', '/api/addresses', ['wishes' => [$wish]]), 'sentence'),
        );
        $after = $this->get($path);
        self::assertSame([200, '/paper-care', 2], [$this->code(), $this->at($after, 'place', 'address'), $this->at($after, 'version')]);
        $this->send('POST', '/api/addresses', ['wishes' => [['to' => '/elsewhere'] + $wish]]);
        self::assertSame(422, $this->code(), 'it has another address by now than the one that was seen');
        $after = $this->send('PATCH', $path, ['title' => 'Paper care', 'light' => 'quiet'], '"2"');
        self::assertSame(
            ['Paper care', 'quiet', 'Edda Marlowe'],
            [$this->at($after, 'place', 'title'), $this->at($after, 'place', 'light'), $this->at($after, 'changedBy')],
        );
        $waiting = $this->get('/api/waiting');
        self::assertSame('Paper care · 1 redirect', $this->at($waiting, 'summary'));
        $this->send('PATCH', $path, ['light' => 'dim'], '"3"');
        self::assertSame(422, $this->code());
        foreach (['/papers' => 'taken', 'sitemap.xml' => 'reserved', '/%zz' => 'percent'] as $to => $why) {
            $again = ['seen' => '/paper-care', 'to' => $to] + $wish;
            self::assertStringContainsString(
                $why,
                (string) json_encode($this->at($this->send('POST', '/api/addresses/plan', ['wishes' => [$again]]), 'lines', 0, 'problem')),
            );
            $this->send('POST', '/api/addresses', ['wishes' => [$again]]);
            self::assertSame(422, $this->code());
        }
        // What a colleague edits while one reads is not published unseen: it is shown first.
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE place SET summary = 'Changed by somebody else' WHERE id = ?
            SQL, [DemoId::of('categories/kits')]);
        $stale = $this->send('POST', '/api/releases', ['seen' => $this->at($waiting, 'state')]);
        self::assertSame([412, 3], [$this->code(), $this->at($stale, 'current', 'count')]);
        self::assertCount(1, (array) $this->get('/api/releases'));
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE place SET summary = l.summary FROM live.place l WHERE l.id = place.id AND place.id = ?
            SQL, [DemoId::of('categories/kits')]);
        self::assertSame(
            2,
            $this->at($this->send('POST', '/api/releases', ['seen' => $this->at($this->get('/api/waiting'), 'state')]), 'number'),
        );
        self::assertSame(0, $this->at($this->get('/api/waiting'), 'count'));
        self::assertSame('Paper care · 1 redirect', $this->at($this->get('/api/releases'), 0, 'summary'));
        self::assertSame('Edda Marlowe', $this->at($this->get('/api/releases/2'), 'release', 'releasedBy'));
    }

    public function testWhatIsNotThereIsSaid(): void
    {
        foreach (['/api/menus/', '/api/places/'] as $path) {
            $problem = $this->get($path.(new UuidV7())->toRfc4122());
            self::assertSame([404, 'application/problem+json'], [$this->code(), $this->header('Content-Type')]);
            self::assertStringContainsString('no longer there', (string) json_encode($problem));
        }
        $this->get('/api/releases/99');
        self::assertSame(404, $this->code());
        $this->get('/api/no-such-thing');
        self::assertSame([404, 'application/problem+json'], [$this->code(), $this->header('Content-Type')]);
    }

    public function testABodyThatIsNoJson(): void
    {
        foreach ([
            ['{', 'application/json', 400],
            ['"text"', 'application/json', 422],
            ['[1]', 'application/json', 422],
            ['', 'application/json', 400],
            ['{"type":"remove"}', 'text/plain', 415],
            ['type=remove', 'application/x-www-form-urlencoded', 415],
            ['{}', null, 415],
        ] as [$body, $type, $code]) {
            $this->browser->request(
                'POST',
                $this->moves(),
                server: ['HTTP_X_CSRF_TOKEN' => $this->csrf, 'HTTP_IF_MATCH' => '"1"', 'CONTENT_TYPE' => $type],
                content: $body,
            );
            self::assertSame($code, $this->code(), "$body as $type");
            self::assertSame('application/problem+json', $this->header('Content-Type'));
        }
    }

    public function testWithoutTheTokenOfAPageNothingIsChanged(): void
    {
        $this->csrf = 'guessed';
        $this->send('POST', '/api/releases', []);
        self::assertSame(403, $this->code());
    }

    public function testWhoIsNotSignedInGetsNothing(): void
    {
        $this->browser->getCookieJar()->clear();
        foreach (['/api/session', '/api/frame', '/api/openapi.json', '/api/places'] as $path) {
            $this->get($path);
            self::assertSame(401, $this->code(), $path);
        }
    }

    public function testAViewerMayLookOnly(): void
    {
        $this->signIn('viewer');
        self::assertFalse($this->at($this->get('/api/session'), 'canEdit'));
        $this->send('POST', $this->moves(), $this->heading('No'), '"1"');
        self::assertSame(403, $this->code());
        $this->send('PATCH', '/api/places/'.DemoId::of('categories/papers'), ['title' => 'No'], '"1"');
        self::assertSame(403, $this->code());
        $this->send('POST', '/api/previews', []);
        self::assertSame(200, $this->code());
    }

    public function testTheDescriptionNamesEveryResource(): void
    {
        $description = $this->get('/api/openapi.json');
        self::assertSame('3.1.0', $this->at($description, 'openapi'));
        /** @var array<string, mixed> $paths */
        $paths = $this->at($description, 'paths');
        $router = self::getContainer()->get('router');
        self::assertInstanceOf(\Symfony\Component\Routing\RouterInterface::class, $router);
        foreach ($router->getRouteCollection() as $route) {
            if (str_starts_with($route->getPath(), '/api/') && '/api/openapi.json' !== $route->getPath()) {
                self::assertArrayHasKey($route->getPath(), $paths);
                self::assertArrayHasKey(strtolower($route->getMethods()[0]), (array) $paths[$route->getPath()]);
            }
        }
    }

    public function testAnAddressIsTriedOnTheWorkbench(): void
    {
        $answer = $this->at(
            $this->send('POST', '/api/answers', ['addresses' => ['/Paper-Marbling?a=1', 'nothing/here', '/%zz']]),
            'answers',
            0,
        );
        self::assertSame(
            [301, '/papers/marbled?a=1', 'Marbled papers'],
            [$this->at($answer, 'status'), $this->at($answer, 'location'), $this->at($answer, 'place', 'title')],
        );
        self::assertSame('/marbled-papers', $this->at($answer, 'trail', 1, 'to'));
    }

    private function moves(): string
    {
        return '/api/menus/'.DemoId::of('menus/header').'/moves';
    }

    /** @return array<string, mixed> */
    private function heading(string $label): array
    {
        return [
            'type' => 'insert',
            'entry' => [
                'id' => (new UuidV7())->toRfc4122(),
                'target' => ['kind' => 'heading'],
                'label' => $label,
                'children' => [[
                    'id' => (new UuidV7())->toRfc4122(),
                    'target' => ['kind' => 'contact', 'uri' => 'mailto:a@b.example'],
                    'label' => 'Write',
                ]],
            ],
            'at' => ['parentId' => null, 'index' => 0],
        ];
    }

    /** Both looked at the same notice; the second is told what the first wrote, and nothing of it is overwritten in silence. */
    public function testTwoWhoChangeOneThingOfTheFrameAreToldOfEachOther(): void
    {
        $change = fn (array $change, mixed $seen): mixed => $this->send('POST', '/api/frame/changes', $change + ['seen' => $seen]);
        $seen = $this->at($this->get('/api/frame'), 'versions');
        $this->signIn('editor');
        $change(['type' => 'notice', 'words' => 'Closed on Monday'], $seen);
        self::assertSame(200, $this->code());
        $change(['type' => 'heading', 'bay' => 'footer-1', 'words' => 'Shelves'], $seen);
        self::assertSame(200, $this->code(), 'something else');
        $this->signIn('publisher');
        $stale = $change(['type' => 'notice', 'words' => 'Closed on Tuesday'], $seen);
        self::assertSame([412, 'Closed on Monday'], [$this->code(), $this->at($stale, 'current', 'notice')]);
        $change(['type' => 'heading', 'bay' => 'footer-1', 'words' => 'Goods'], $seen);
        self::assertSame(412, $this->code());
        $change(['type' => 'swap', 'bay' => 'footer-2', 'other' => 'footer-1'], $seen);
        self::assertSame(412, $this->code());
        $change(['type' => 'shift-column', 'bay' => 'footer-1', 'towardsEnd' => true], $seen);
        self::assertSame(412, $this->code());
        $this->signIn('editor');
        $change(['type' => 'look', 'setting' => 'looks_ink', 'words' => '#101010'], $seen);
        self::assertSame(200, $this->code());
        $this->signIn('publisher');
        $change(['type' => 'take-looks', 'set' => LooksSet::shipped()[1]->id], $seen);
        self::assertSame(412, $this->code(), 'a whole set is put on over a colour that somebody else chose');
        self::assertSame('Closed on Monday', $this->value("SELECT value #>> '{}' FROM setting WHERE id = 'notice'"));
        $change(['type' => 'notice', 'words' => 'Closed on Tuesday'], $this->at($this->get('/api/frame'), 'versions'));
        self::assertSame(200, $this->code());
    }
}
