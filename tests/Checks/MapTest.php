<?php

declare(strict_types=1);

namespace Lantern\Tests\Checks;

use Lantern\Tests\Walls;
use Lantern\Workbench\Edits\Lock;
use PHPUnit\Framework\TestCase;

/** The map of docs/development.md shows what is there: every room, the locks in their order, and no class that is somewhere else. */
final class MapTest extends TestCase
{
    private string $page = '';

    protected function setUp(): void
    {
        $this->page = (string) file_get_contents(\dirname(__DIR__, 2).'/docs/development.md');
    }

    public function testEveryRoomStandsInIt(): void
    {
        $missing = [];
        foreach (Walls::ROOMS as $layer => $rooms) {
            foreach ('Core' === $layer ? [] : array_keys($rooms) as $room) {
                if (!str_contains($this->page, "`$layer/$room`")) {
                    $missing[] = "$layer/$room";
                }
            }
        }
        self::assertSame([], $missing);
    }

    public function testEveryFileThatIsNamedIsThere(): void
    {
        $root = \dirname(__DIR__, 2);
        preg_match_all('~`((?:web|templates|tests|migrations|config|ops|public)/[\w./-]+)`~', $this->page, $found);
        self::assertNotSame([], $found[1]);
        self::assertSame([], array_values(array_filter($found[1], static fn (string $path): bool => !file_exists("$root/$path"))));
    }

    public function testTheLocksStandInTheirOrder(): void
    {
        preg_match_all('/^\d+\. `(\w+)`/m', $this->page, $found);
        self::assertSame(array_map(static fn (Lock $lock): string => $lock->name, Lock::cases()), $found[1]);
    }

    public function testEveryClassThatIsNamedWithItsRoomIsThere(): void
    {
        $gone = [];
        foreach (['development', 'kept', 'security', 'performance', 'settings', 'running'] as $name) {
            $page = (string) file_get_contents(\dirname(__DIR__, 2)."/docs/$name.md");
            preg_match_all(
                '~`(?:Lantern\\\\|src/)?((?:Core|Reading|Workbench|Node|Storefront|Admin|Interchange|Console|Demo)(?:[\\\\/]\w+)+)~',
                $page,
                $found,
            );
            foreach ($found[1] as $path) {
                $path = \dirname(__DIR__, 2).'/src/'.strtr($path, '\\', '/');
                if (!is_file("$path.php") && !is_dir($path)) {
                    $gone[] = "$name.md: ".substr($path, \strlen(\dirname(__DIR__, 2)) + 5);
                }
            }
        }
        self::assertSame([], array_values(array_unique($gone)));
    }
}
