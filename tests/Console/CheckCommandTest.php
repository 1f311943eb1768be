<?php

declare(strict_types=1);

namespace Lantern\Tests\Console;

use Lantern\Tests\ShopTestCase;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;

final class CheckCommandTest extends ShopTestCase
{
    public function testAFindingIsALineOfJsonAndItsMendIsACommand(): void
    {
        $check = $this->tester('lantern:check');
        self::assertSame(0, $check->execute(['--format' => 'json', '--copy' => 'workbench']));
        $lines = array_map(
            static fn (string $line): mixed => json_decode($line, true, flags: \JSON_THROW_ON_ERROR),
            explode("\n", trim($check->getDisplay())),
        );
        $closed = array_values(array_filter(
            $lines,
            static fn (mixed $line): bool => \is_array($line) && 'link-closed' === $line['kind'],
        ))[0];
        self::assertIsArray($closed);
        self::assertIsString($closed['id']);
        self::assertSame(['live', 'workbench'], $closed['copies']);
        self::assertIsArray($closed['mends']);
        self::assertSame(['lead-elsewhere', 'take-out', 'open-place'], array_column($closed['mends'], 'id'));
        self::assertSame(1, $check->execute(['--fail-on' => 'broken']));
        $mend = $this->tester('lantern:mend');
        self::assertSame(0, $mend->execute(['finding' => $closed['id'], 'mend' => 'take-out']));
        self::assertSame("Three days in October: take the link out, its words stay.\n", $mend->getDisplay());
        self::assertSame(1, $mend->execute(['finding' => $closed['id'], 'mend' => 'take-out']));
        self::assertSame(2, $mend->execute(['finding' => $closed['id'], 'mend' => 'nothing-such']));
        self::assertSame(2, $mend->execute(['finding' => $closed['id'], 'mend' => 'take-out', '--by' => 'viewer@tansyandrook.example']));
        $check->execute(['--format' => 'json', '--copy' => 'workbench']);
        self::assertStringNotContainsString('"link-closed"', $check->getDisplay());
    }

    private function tester(string $command): CommandTester
    {
        self::assertNotNull(self::$kernel);

        return new CommandTester((new Application(self::$kernel))->find($command));
    }
}
