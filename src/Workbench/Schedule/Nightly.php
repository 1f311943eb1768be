<?php

declare(strict_types=1);

namespace Lantern\Workbench\Schedule;

use Lantern\Core\Release\CopyName;
use Lantern\Reading\Copies\Copies;
use Lantern\Workbench\Findings\KeepUp;
use Lantern\Workbench\Findings\WalkOver;
use Lantern\Workbench\MorningMail\TellOfTheMorning;
use Lantern\Workbench\OutsideLinks\CheckOutsideLinks;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Lock\LockFactory;
use Symfony\Component\Messenger\Message\RedispatchMessage;
use Symfony\Component\Scheduler\Attribute\AsSchedule;
use Symfony\Component\Scheduler\RecurringMessage;
use Symfony\Component\Scheduler\Schedule;
use Symfony\Component\Scheduler\ScheduleProviderInterface;
use Symfony\Contracts\Cache\CacheInterface;

/**
 * What is done by the clocks of the shop. Every minute what changed is looked at, also what nobody waits for. Every night everything
 * is looked at anew, since visits count by day, and other web sites are asked; in the morning those who want it are told what broke.
 * Of several workers one does it; what was missed while there was none is done once.
 */
#[AsSchedule('nightly')]
final class Nightly implements ScheduleProviderInterface
{
    private ?Schedule $schedule = null;

    public function __construct(
        private readonly Copies $copies,
        private readonly ClockInterface $clock,
        private readonly LockFactory $locks,
        #[Autowire(service: 'cache.scheduled')] private readonly CacheInterface $cache,
    ) {
    }

    public function getSchedule(): Schedule
    {
        $daily = fn (string $time, object $message): RecurringMessage => RecurringMessage::every(
            '1 day',
            new RedispatchMessage($message),
            $this->clock->now()->setTimezone($this->copies->live->settings->zone())->modify($time),
        );

        return $this->schedule ??= (new Schedule())->add(
            RecurringMessage::every('1 minute', new RedispatchMessage(new KeepUp())),
            $daily('02:10', new WalkOver(CopyName::Live->value)),
            $daily('02:20', new WalkOver(CopyName::Workbench->value)),
            $daily('03:00', new CheckOutsideLinks()),
            $daily('06:30', new TellOfTheMorning()),
        )->stateful($this->cache)->lock($this->locks->createLock('lantern-nightly'))->processOnlyLastMissedRun(true);
    }
}
