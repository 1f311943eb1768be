<?php

declare(strict_types=1);

namespace Lantern\Tests\Checks;

use PHPUnit\Framework\TestCase;

/** Tests stand where what they test stands; what tells a story over several classes is in a folder of its own. */
final class LayoutTest extends TestCase
{
    private const OF_THEIR_OWN = ['Checks', 'Fuzz', 'Start', 'Story'];

    public function testEveryTestStandsWhereItsClassStands(): void
    {
        $astray = [];
        $seen = 0;
        $root = \dirname(__DIR__);
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($root, \FilesystemIterator::SKIP_DOTS)) as $file) {
            $path = $file instanceof \SplFileInfo ? substr($file->getPathname(), \strlen($root) + 1) : '';
            if (!str_ends_with($path, 'Test.php') || \in_array(explode('/', $path)[0], self::OF_THEIR_OWN, true)) {
                continue;
            }
            ++$seen;
            if (!is_file(\dirname($root).'/src/'.substr($path, 0, -\strlen('Test.php')).'.php')) {
                $astray[] = $path;
            }
        }
        self::assertGreaterThan(40, $seen);
        self::assertSame([], $astray, 'these test nothing that stands there');
    }

    /** Nor does the core know how a database calls things. */
    public function testNoTableOrColumnIsNamedInTheCore(): void
    {
        $found = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(
            \dirname(__DIR__, 2).'/src/Core',
            \FilesystemIterator::SKIP_DOTS,
        )) as $file) {
            $code = $file instanceof \SplFileInfo ? (string) file_get_contents($file->getPathname()) : '';
            if (1 === preg_match(
                "/'(?:menu_id|place_id|parent_id|opens_on|closes_on|goal_\\w+|is_prefix|listing_\\w+|from_on|until_on|target_kind|new_tab|workbench\\.\\w+|live\\.\\w+|journal\\.\\w+)'/",
                $code,
                $name,
            )) {
                $found[] = $file->getFilename().": $name[0]";
            }
        }
        self::assertSame([], $found);
    }
}
