<?php

declare(strict_types=1);

namespace Lantern\Tests\Checks;

use PHPUnit\Framework\TestCase;

/** What docs/security.md promises is there to be run. */
final class SecurityPageTest extends TestCase
{
    public function testEveryTestAndFileThatIsNamedExists(): void
    {
        $root = \dirname(__DIR__, 2);
        preg_match_all(
            '~`((?:tests|src|ops|docs|config|bin)/[\w./-]+)`~',
            (string) file_get_contents("$root/docs/security.md").file_get_contents("$root/docs/running.md"),
            $found,
        );
        self::assertGreaterThan(60, \count($found[1]));
        foreach (array_unique($found[1]) as $file) {
            self::assertFileExists("$root/$file");
        }
    }

    /** What no test holds says by what else it holds. */
    public function testEveryLineSaysWhatHoldsIt(): void
    {
        preg_match_all(
            '/^\| (.*?) \| (.*) \| ?(.*?) ?\|$/m',
            (string) file_get_contents(\dirname(__DIR__, 2).'/docs/security.md'),
            $lines,
            \PREG_SET_ORDER,
        );
        self::assertGreaterThan(100, \count($lines));
        foreach ($lines as [, $requirement, $how, $shown]) {
            if (!str_starts_with($how, '*Not ')) {
                self::assertNotSame('', $shown, $requirement);
            }
        }
    }

    public function testNoChapterIsLeftOut(): void
    {
        $page = (string) file_get_contents(\dirname(__DIR__, 2).'/docs/security.md');
        foreach (range(1, 17) as $chapter) {
            self::assertMatchesRegularExpression("/^## .*V$chapter\\b/m", $page);
        }
    }
}
