<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Schedule;

use Lantern\Reading\Copies\Copies;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Findings\KeepUp;
use Lantern\Workbench\Findings\WalkOver;
use Lantern\Workbench\MorningMail\TellOfTheMorning;
use Lantern\Workbench\OutsideLinks\CheckOutsideLinks;
use Lantern\Workbench\Schedule\Nightly;
use Symfony\Component\Cache\Adapter\ArrayAdapter;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Lock\LockFactory;
use Symfony\Component\Lock\Store\InMemoryStore;
use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\Message\RedispatchMessage;
use Symfony\Component\Scheduler\Generator\MessageGenerator;

final class NightlyTest extends ShopTestCase
{
    public function testEachHasItsTimeAndWhatWasMissedIsDoneOnce(): void
    {
        $clock = new MockClock('2027-02-01 12:00:30 UTC');
        $nightly = new Nightly($this->service(Copies::class), $clock, new LockFactory(new InMemoryStore()), new ArrayAdapter());
        $generator = new MessageGenerator($nightly, 'nightly', $clock);
        self::assertSame([], $this->due($generator));
        $clock->modify('+1 minute');
        self::assertSame([KeepUp::class => 1], $this->due($generator));
        $clock->modify('2027-02-02 12:00:45');
        $all = [KeepUp::class => 1, WalkOver::class => 2, CheckOutsideLinks::class => 1, TellOfTheMorning::class => 1];
        self::assertSame($all, $this->due($generator));
        self::assertSame([], $this->due($generator));
        $clock->modify('+9 days');
        self::assertSame($all, $this->due($generator), 'once, however long there was no worker');
    }

    /** @return array<string, int> how many of each kind of message */
    private function due(MessageGenerator $generator): array
    {
        $due = array_fill_keys([KeepUp::class, WalkOver::class, CheckOutsideLinks::class, TellOfTheMorning::class], 0);
        foreach ($generator->getMessages() as $message) {
            self::assertInstanceOf(RedispatchMessage::class, $message, 'each goes on to the queue of its kind');
            $sent = $message->envelope;
            ++$due[($sent instanceof Envelope ? $sent->getMessage() : $sent)::class];
        }

        return array_filter($due);
    }
}
