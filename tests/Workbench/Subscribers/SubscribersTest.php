<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Subscribers;

use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Mailing\TellService;
use Lantern\Workbench\Subscribers\Links;
use Lantern\Workbench\Subscribers\Outcome;
use Lantern\Workbench\Subscribers\Subscriber;
use Lantern\Workbench\Subscribers\Subscribers;
use Lantern\Workbench\Subscribers\SubscriptionState;
use Lantern\Workbench\Subscribers\WriteLetter;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\MessageBusInterface;

final class SubscribersTest extends ShopTestCase
{
    private MockClock $clock;
    /** @var list<object> */
    private array $dispatched = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->clock = new MockClock('2026-03-01 10:00:00 UTC');
        $this->dispatched = [];
    }

    public function testNobodyIsOnAListWhoDidNotSayYes(): void
    {
        $this->lists()->ask('Letters', 'ada@example.org', 'These letters only.', 'n');
        $ada = $this->subscriber('ada@example.org');
        self::assertSame([SubscriptionState::Asked, 'These letters only.'], [$ada->standing, $ada->agreed]);
        self::assertSame([], [...$this->lists()->confirmed('Letters')]);
        self::assertSame(
            [$ada->id],
            array_map(static fn (object $one): string => $one instanceof WriteLetter ? $one->subscriberId : '', $this->dispatched),
        );
        self::assertSame(Outcome::Confirmed, $this->lists()->confirm($this->yes($ada)));
        self::assertSame(
            ['ada@example.org'],
            array_map(static fn (Subscriber $one): string => $one->address, [...$this->lists()->confirmed('Letters')]),
        );
        self::assertSame([], [...$this->lists()->confirmed('Others')]);
        self::assertEquals(
            new TellService('joined', 'Letters', 'ada@example.org', $this->clock->now()->getTimestamp()),
            $this->dispatched[1],
        );
        self::assertSame(Outcome::ConfirmedBefore, $this->lists()->confirm($this->yes($ada)), 'used twice');
    }

    public function testALinkRunsOutAfterThirtyDaysAndAnotherOneComes(): void
    {
        $this->lists()->ask('Letters', 'ada@example.org', '', 'n');
        $first = $this->yes($this->subscriber('ada@example.org'));
        $this->clock->modify('+30 days +1 second');
        self::assertSame(Outcome::RanOut, $this->lists()->confirm($first));
        $this->lists()->ask('Letters', 'ada@example.org', '', 'n');
        self::assertSame(Outcome::Unknown, $this->lists()->confirm($first), 'only the latest letter counts');
        self::assertSame(Outcome::Confirmed, $this->lists()->confirm($this->yes($this->subscriber('ada@example.org'))));
    }

    public function testWhoeverLeavesIsOffAtOnceAndMayComeBack(): void
    {
        $this->lists()->ask('Letters', 'ada@example.org', '', 'n');
        $ada = $this->subscriber('ada@example.org');
        $this->lists()->confirm($this->yes($ada));
        $no = $this->token($this->links()->no($ada));
        self::assertSame([Outcome::Left, Outcome::LeftBefore], [$this->lists()->leave($no), $this->lists()->leave($no)]);
        self::assertSame([], [...$this->lists()->confirmed('Letters')]);
        self::assertSame(Outcome::RanOut, $this->lists()->confirm($this->yes($ada)), 'an old link brings nobody back');
        self::assertCount(2, array_filter($this->dispatched, static fn (object $one): bool => $one instanceof TellService));
        $this->clock->modify('+1 minute');
        $this->lists()->ask('Letters', 'ada@example.org', '', 'n');
        self::assertSame(Outcome::Confirmed, $this->lists()->confirm($this->yes($this->subscriber('ada@example.org'))));
    }

    public function testALinkThatWasMadeUpLeadsNowhere(): void
    {
        $this->lists()->ask('Letters', 'ada@example.org', '', 'n');
        $this->lists()->ask('Letters', 'bo@example.org', '', 'n');
        $ada = $this->subscriber('ada@example.org');
        $yes = $this->yes($ada);
        $ofBo = $this->subscriber('bo@example.org')->id.substr($yes, 36);
        foreach ([
            '',
            'x',
            $ada->id,
            $ofBo,
            "$yes ",
            substr($yes, 0, -1).(str_ends_with($yes, 'A') ? 'E' : 'A'),
            str_repeat('a', 5000),
            $this->token($this->links()->no($ada)),
        ] as $token) {
            self::assertSame(Outcome::Unknown, $this->lists()->confirm($token), $token);
        }
        self::assertSame(Outcome::Unknown, $this->lists()->leave($yes));
    }

    public function testNobodyLearnsWhoIsOnAListAndNoMailboxIsFlooded(): void
    {
        $this->lists()->ask('Letters', 'ada@example.org', '', 'n');
        $ada = $this->subscriber('ada@example.org');
        $this->lists()->confirm($this->yes($ada));
        $this->dispatched = [];
        foreach (range(1, 10) as $n) {
            self::assertTrue($this->lists()->ask('Letters', 'ada@example.org', 'Other words.', "network $n"), 'as for anybody else');
        }
        self::assertSame(SubscriptionState::Confirmed, $this->subscriber('ada@example.org')->standing, 'nobody is taken off by another');
        self::assertCount(2, $this->dispatched, 'three letters a day, with the first');
        $this->clock->modify('+1 day +1 minute');
        $this->lists()->ask('Letters', 'ada@example.org', '', 'n');
        self::assertCount(3, $this->dispatched);
    }

    public function testOneNetworkAsksSoOftenAndNoOftener(): void
    {
        foreach (range(1, 20) as $n) {
            self::assertTrue($this->lists()->ask('Letters', "a$n@example.org", '', 'one'));
        }
        foreach (range(21, 60) as $n) {
            self::assertFalse($this->lists()->ask('Letters', "a$n@example.org", '', 'one'));
        }
        self::assertTrue($this->lists()->ask('Letters', 'b@example.org', '', 'another'));
        self::assertSame('21', $this->value('SELECT count(*) FROM journal.subscriber'));
        self::assertStringNotContainsString(
            'one',
            $this->value('SELECT min(network) FROM journal.sign_up_asked'),
            'a network is not kept as it is',
        );
        $this->clock->modify('+1 hour +1 second');
        self::assertTrue($this->lists()->ask('Letters', 'c@example.org', '', 'one'));
        self::assertSame('1', $this->value('SELECT count(*) FROM journal.sign_up_asked'), 'and not for longer than it counts');
    }

    public function testANetworkIsWhatOneCustomerIsGiven(): void
    {
        self::assertSame('192.0.2.7', Subscribers::networkOf('192.0.2.7'));
        self::assertSame(Subscribers::networkOf('2001:db8:1:2::1'), Subscribers::networkOf('2001:db8:1:2:ffff::9'));
        self::assertNotSame(Subscribers::networkOf('2001:db8:1:2::1'), Subscribers::networkOf('2001:db8:1:3::1'));
        self::assertSame('nonsense', Subscribers::networkOf('nonsense'));
    }

    public function testAListIsReadInParts(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.subscriber (id, list, address, state, asked_at, confirmed_at)
            SELECT gen_random_uuid(), 'Many', lpad(n::text, 5, '0') || '@example.org', 'confirmed', now(), now()
            FROM generate_series(1, 2500) n
            SQL);
        $all = array_map(static fn (Subscriber $one): string => $one->address, [...$this->lists()->confirmed('Many')]);
        self::assertSame([2500, '00001@example.org', '02500@example.org'], [\count($all), $all[0], $all[2499]]);
        self::assertEquals(['Many', 2500, 0, 0], array_values(get_object_vars($this->lists()->lists()[0])));
    }

    private function lists(): Subscribers
    {
        $bus = $this->createStub(MessageBusInterface::class);
        $bus->method('dispatch')->willReturnCallback(function (object $message): Envelope {
            $this->dispatched[] = $message;

            return new Envelope($message);
        });

        return new Subscribers($this->workbench(), $bus, $this->clock, $this->links(), $this->service(Locks::class), 'secret');
    }

    private function links(): Links
    {
        return new Links('secret', 'https://shop.example');
    }

    private function yes(Subscriber $subscriber): string
    {
        return $this->token($this->links()->yes($subscriber));
    }

    private function token(string $link): string
    {
        self::assertSame(1, preg_match('~^https://shop\.example/sign-up/(?:yes|no)\?t=(.+)$~D', $link, $found));

        return $found[1];
    }

    private function subscriber(string $address): Subscriber
    {
        return $this->lists()->get($this->value('SELECT id FROM journal.subscriber WHERE address = ?', $address))
            ?? self::fail("$address is nowhere.");
    }
}
