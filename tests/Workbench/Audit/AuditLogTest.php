<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Audit;

use Lantern\Core\Person\Actor;
use Lantern\Core\Person\Role;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Audit\AuditEntry;
use Lantern\Workbench\Audit\AuditLog;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\RequestStack;

final class AuditLogTest extends ShopTestCase
{
    public function testIsReadPageByPageTheLatestFirst(): void
    {
        $log = $this->service(AuditLog::class);
        for ($n = 1; $n <= 25; ++$n) {
            $log->add(Actor::commandLine('Imke'), 'exported', ['what' => "thing $n"]);
        }
        $seen = [];
        for ($before = null; [] !== $page = $log->page('thing', $before, 10); $before = $page[\count($page) - 1]->id) {
            $seen = [...$seen, ...array_map(static fn (AuditEntry $one): string => $one->about['what'], $page)];
        }
        self::assertSame(array_map(static fn (int $n): string => "thing $n", range(25, 1)), $seen);
    }

    public function testIsFoundByAllItsWordsHoweverTheyAreWritten(): void
    {
        $log = $this->service(AuditLog::class);
        $log->add(Actor::commandLine('Imke Ravensworth'), 'invited', ['mail' => 'nell@tansyandrook.example', 'role' => 'editor']);
        $found = static fn (string $words): int => \count($log->page($words));
        self::assertSame(1, $found('  NELL   ravens '));
        self::assertSame(0, $found('nell publisher'));
        self::assertSame(0, $found('nell%viewer'), 'what is typed is no pattern');
        self::assertSame(0, $found('n_ll'));
        self::assertSame(1, $found(str_repeat('nell ', 200)), 'and a thousand words are no more work than eight');
    }

    public function testWhatCannotBeWrittenAsTextIsKeptAllTheSame(): void
    {
        $log = $this->service(AuditLog::class);
        $log->add(Actor::commandLine('Imke'), 'exported', ['what' => "\xff and \u{2028} and \"quotes\""]);
        self::assertStringContainsString('"quotes"', $log->page('quotes')[0]->about['what']);
    }

    /** Nobody can take an entry out for thirty days, so what a stranger adds has to stay small. */
    public function testTenThousandAttemptsAreAFewEntries(): void
    {
        $log = $this->service(AuditLog::class);
        for ($n = 1; $n <= 2000; ++$n) {
            $log->addAttempt(Actor::nobody(), 'sign-in-failed', "n$n@x.example");
            $log->addAttempt(Actor::nobody(), 'sign-in-failed', 'editor@tansyandrook.example');
        }
        self::assertSame(['1', '10', '100', '1000'], $this->workbench()->fetchFirstColumn(<<<'SQL'
            SELECT about ->> 'times' FROM journal.audit WHERE about ->> 'as' = '' ORDER BY id
            SQL), 'names of nobody are one');
        self::assertSame(['1', '10', '100', '1000'], $this->workbench()->fetchFirstColumn(<<<'SQL'
            SELECT about ->> 'times' FROM journal.audit WHERE about ->> 'as' = 'editor@tansyandrook.example' ORDER BY id
            SQL));
        self::assertSame('4000', $this->value('SELECT sum(times) FROM journal.attempt'));
    }

    public function testWhateverNetworksTheyComeFromTheyAreNoMoreThanAFewHundredInADay(): void
    {
        $requests = $this->service(RequestStack::class);
        $log = $this->service(AuditLog::class);
        for ($n = 1; $n <= 1200; ++$n) {
            $requests->push(new Request(server: ['REMOTE_ADDR' => \sprintf('2001:db8:%x:%x::%x', $n % 600, 1, $n)]));
            $log->addAttempt(Actor::nobody(), 'sign-in-failed', "n$n@x.example");
            $requests->pop();
        }
        self::assertSame('500', $this->value(<<<'SQL'
            SELECT count(*) FROM journal.audit WHERE what = 'sign-in-failed'
            SQL), 'one of each network, until there are too many');
        self::assertSame('500', $this->value('SELECT count(*) FROM journal.attempt'));
    }

    public function testTwoOfOneNameAreTwoPeople(): void
    {
        $log = $this->service(AuditLog::class);
        $log->add(new Actor('01930000-0000-7000-8000-00000000000a', 'Anna', Role::Editor), 'exported', ['what' => 'one']);
        $log->add(new Actor('01930000-0000-7000-8000-00000000000b', 'Anna', Role::Editor), 'exported', ['what' => 'other']);
        self::assertSame(
            ['01930000-0000-7000-8000-00000000000b', '01930000-0000-7000-8000-00000000000a'],
            array_map(static fn (AuditEntry $one): ?string => $one->personId, $log->page('Anna')),
        );
        self::assertCount(1, $log->page('01930000-0000-7000-8000-00000000000a'));
    }
}
