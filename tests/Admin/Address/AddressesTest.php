<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Address;

use Lantern\Demo\DemoId;
use Lantern\Tests\Admin\ApiTestCase;

/** Addresses that change and places that end, as the interface asks for them. */
final class AddressesTest extends ApiTestCase
{
    public function testASheetOfAddressesIsJudgedLineByLine(): void
    {
        $wish = static fn (string $key, string $seen, string $to): array => ['place' => DemoId::of($key), 'seen' => $seen, 'to' => $to];
        $wishes = [
            $wish('pages/makers', '/about-us/our-makers', '/makers'),
            $wish('pages/visit', '/about-us/visit-the-workshop', '/papers'),
            $wish('pages/press', '/not-there-any-more', '/press'),
            $wish('pages/our-story', '/about-us/two-people-and-a-press', ''),
        ];
        $plan = $this->send('POST', '/api/addresses/plan', ['wishes' => $wishes]);
        $lines = $this->at($plan, 'lines');
        self::assertIsArray($lines);
        $problems = array_column($lines, 'problem', 'place');
        self::assertNull($problems[DemoId::of('pages/makers')]);
        self::assertStringContainsString('taken', (string) json_encode($problems[DemoId::of('pages/visit')]));
        self::assertStringContainsString('meanwhile', (string) json_encode($problems[DemoId::of('pages/press')]));
        self::assertStringContainsString('begins with a slash', (string) json_encode($problems[DemoId::of('pages/our-story')]));
        self::assertSame(['/about-us/our-makers'], $this->at($plan, 'redirects'), 'what the good ones would do');
        $this->send('POST', '/api/addresses', ['wishes' => $wishes]);
        self::assertSame(422, $this->code());
        $this->send('POST', '/api/addresses', ['wishes' => []]);
        self::assertSame(422, $this->code());
        $done = $this->send('POST', '/api/addresses', ['wishes' => [$wishes[0]]]);
        self::assertSame('“Our makers” stands at /makers now.', $this->at($done, 'sentence'));
    }

    public function testAPlaceEndsAndComesBack(): void
    {
        $path = '/api/places/'.DemoId::of('collections/small-gifts');
        $relatives = $this->at($this->get("$path/relatives"), 'relatives');
        self::assertSame(['Collections', 'stands above it'], [$this->at($relatives, 0, 'place', 'title'), $this->at($relatives, 0, 'why')]);
        $onward = ['answer' => 'elsewhere', 'to' => $this->at($relatives, 0, 'place', 'id')];
        $plan = $this->send('POST', "$path/removal-plan", $onward);
        self::assertStringContainsString(
            'leads to “Collections” for good (301)',
            (string) json_encode($this->at($plan, 'touches', 0, 'sentence'), \JSON_UNESCAPED_UNICODE),
        );
        foreach ([
            ['answer' => 'elsewhere'],
            ['answer' => 'soon'],
            ['answer' => 'elsewhere', 'to' => DemoId::of('collections/small-gifts')],
        ] as $wrong) {
            $this->send('POST', "$path/removal-plan", $wrong);
            self::assertSame(422, $this->code());
        }
        $stale = $this->send('POST', "$path/removal", $onward, '"7"');
        self::assertSame([412, 'Small gifts'], [$this->code(), $this->at($stale, 'current', 'place', 'title')]);
        $done = $this->send('POST', "$path/removal", $onward, '"1"');
        self::assertSame('“Small gifts” is removed.', $this->at($done, 'sentence'));
        $this->get($path);
        self::assertSame(404, $this->code());
        $step = $this->at($done, 'step');
        self::assertIsString($step);
        $this->send('POST', "/api/edits/$step/undo");
        self::assertSame('Small gifts', $this->at($this->get($path), 'place', 'title'));
    }

    public function testClosingManySaysWhereTheirVisitorsGo(): void
    {
        $ids = [DemoId::of('collections/small-gifts'), DemoId::of('collections/first-binding')];
        $this->send(
            'POST',
            '/api/places/many',
            ['places' => $ids, 'light' => 'closed', 'answer' => 'elsewhere', 'to' => DemoId::of('categories/kits')],
        );
        self::assertSame(200, $this->code());
        self::assertSame('2', $this->value(<<<'SQL'
            SELECT count(*) FROM place WHERE light = 'closed' AND closed_answer = 'elsewhere' AND closed_to = ?
            SQL, DemoId::of('categories/kits')));
        $this->send('POST', '/api/places/many', ['places' => $ids, 'light' => 'closed', 'answer' => 'elsewhere', 'to' => $ids[0]]);
        self::assertSame(422, $this->code(), 'one of them would lead to itself');
        $this->send('POST', '/api/places/many', ['places' => $ids, 'answer' => 'elsewhere', 'light' => 'closed']);
        self::assertSame(422, $this->code());
    }
}
