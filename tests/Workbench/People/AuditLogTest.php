<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\People;

use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\People\AuditEntry;
use Lantern\Workbench\People\AuditLog;

final class AuditLogTest extends ShopTestCase
{
    public function testIsReadPageByPageTheLatestFirst(): void
    {
        $log = $this->service(AuditLog::class);
        for ($n = 1; $n <= 25; ++$n) {
            $log->add('Imke', 'exported', ['what' => "thing $n"]);
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
        $log->add('Imke Ravensworth', 'invited', ['mail' => 'nell@tansyandrook.example', 'role' => 'editor']);
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
        $log->add('Imke', 'exported', ['what' => "\xff and \u{2028} and \"quotes\""]);
        self::assertStringContainsString('"quotes"', $log->page('quotes')[0]->about['what']);
    }
}
