<?php

declare(strict_types=1);

namespace Lantern\Tests\Checks;

use PHPUnit\Framework\TestCase;

/**
 * What is compared with the present asks one clock for it, so that a test can move it: ClockInterface here, journal.moment() in the
 * database.
 */
final class ClockTest extends TestCase
{
    /** The order of what was undone within one transaction, which is compared with nothing else. */
    private const ORDERS = ['src/Workbench/Menus/MenuEditor.php', 'src/Workbench/Edits/EditLog.php'];

    public function testNoStatementAsksTheServerItself(): void
    {
        $root = \dirname(__DIR__, 2);
        $asked = 0;
        $files = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator("$root/src", \FilesystemIterator::SKIP_DOTS));
        foreach ($files as $file) {
            self::assertInstanceOf(\SplFileInfo::class, $file);
            if ('php' !== $file->getExtension()) {
                continue;
            }
            $name = substr($file->getPathname(), \strlen($root) + 1);
            $code = (string) file_get_contents($file->getPathname());
            $asked += substr_count($code, 'journal.moment()') + substr_count($code, 'journal.utc_day()');
            preg_match_all(
                '/(?<!->|::|function '
                    .')\bnow\(\)|\b(?:CURRENT_DATE|CURRENT_TIMESTAMP|LOCALTIMESTAMP|statement_timestamp|transaction_timestamp)\b|\bclock_timestamp\b/',
                $code,
                $found,
            );
            self::assertSame(\in_array($name, self::ORDERS, true) ? ['clock_timestamp'] : [], array_values(array_unique($found[0])), $name);
        }
        self::assertGreaterThan(20, $asked);
    }
}
