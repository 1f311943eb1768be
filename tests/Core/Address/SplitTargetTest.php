<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Address;

use Lantern\Core\Address\SplitTarget;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class SplitTargetTest extends TestCase
{
    #[TestWith(['/a?b=1?2#c', '/a?b=1?2', '/a', 'b=1?2', 'c'])]
    #[TestWith(['/a', '/a', '/a', '', ''])]
    #[TestWith(['?q', '?q', '', 'q', ''])]
    #[TestWith(['/a?#b', '/a?', '/a', '', 'b'])]
    #[TestWith(['#a?b#c', '', '', '', 'a?b#c'])]
    public function testEachPartIsAsItWasWritten(string $target, string $asked, string $path, string $query, string $fragment): void
    {
        $split = SplitTarget::of($target);
        self::assertSame(
            [$asked, $path, $query, $fragment, $target],
            [$split->asked, $split->path, $split->query, $split->fragment, (string) $split],
        );
    }

    public function testAnotherQueryStandsBeforeTheFragment(): void
    {
        self::assertSame('/a?x=1#c', (string) SplitTarget::of('/a?b#c')->withQuery('x=1'));
        self::assertSame('/a#c', (string) SplitTarget::of('/a?b#c')->withQuery(''));
    }
}
