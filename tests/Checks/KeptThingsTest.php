<?php

declare(strict_types=1);

namespace Lantern\Tests\Checks;

use Lantern\Tests\ShopTestCase;

/** docs/kept.md says of everything that is kept when it ends. */
final class KeptThingsTest extends ShopTestCase
{
    private string $page = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->page = (string) file_get_contents(\dirname(__DIR__, 2).'/docs/kept.md');
    }

    public function testEveryTableThatIsNoPartOfACopyIsThere(): void
    {
        $tables = $this->workbench()->fetchFirstColumn("SELECT tablename FROM pg_tables WHERE schemaname IN ('journal', 'catalogue')");
        self::assertGreaterThan(40, \count($tables));
        preg_match_all('/`([a-z_]+)`/', (string) preg_replace('/^(?!\|).*$/m', '', $this->page), $named);
        self::assertSame([], array_diff(array_filter($tables, is_string(...)), $named[1]), 'these are missing');
    }

    public function testEveryKeyOfTheMemoryOfANodeIsThere(): void
    {
        $keys = [];
        foreach (glob(\dirname(__DIR__, 2).'/src/Node/*/*.php') ?: [] as $file) {
            preg_match_all(
                '/apcu_(?:store|add|inc)\((?:array_fill_keys\(array_map\([^"]*)?[\'"]([a-z]+\.[a-z]*)/',
                (string) file_get_contents($file),
                $found,
            );
            array_push($keys, ...$found[1]);
        }
        self::assertGreaterThan(12, \count(array_unique($keys)));
        foreach ($keys as $key) {
            self::assertStringContainsString(str_ends_with($key, '.') ? "`$key*`" : "`$key`", $this->page);
        }
    }

    public function testEveryTestThatIsNamedExists(): void
    {
        preg_match_all('~`((?:tests|src)/[\w./]+)`~', $this->page, $found);
        foreach ($found[1] as $file) {
            self::assertFileExists(\dirname(__DIR__, 2)."/$file");
        }
    }
}
