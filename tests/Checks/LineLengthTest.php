<?php

declare(strict_types=1);

namespace Lantern\Tests\Checks;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;

/** Lines end at 140 characters; biome.json says the same of the interface. */
final class LineLengthTest extends TestCase
{
    private const MOST = 140;
    /** What was written for one machine (migrations), is made by a program, or is a text that somebody else reads. */
    private const NOT_HERE = ['migrations', 'Fit/Widths', 'Core/Policy/StartingText.php'];
    /** A regular expression, a configuration in a string: so many are left, and none comes to them. */
    private const LEFT = 19;

    public function testNoLineIsLonger(): void
    {
        $root = \dirname(__DIR__, 2);
        $long = [];
        $files = (new Finder())->files()->name('*.php')->in(["$root/src", "$root/config", "$root/tests", "$root/ops", "$root/public"]);
        foreach ($files->notPath(self::NOT_HERE) as $file) {
            foreach (explode("\n", $file->getContents()) as $n => $line) {
                if (mb_strlen($line) > self::MOST) {
                    $long[] = $file->getRelativePathname().':'.($n + 1);
                }
            }
        }
        self::assertGreaterThan(900, $files->count());
        self::assertLessThanOrEqual(self::LEFT, \count($long), implode("\n", $long));
    }
}
