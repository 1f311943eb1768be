<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Sql;

use Lantern\Reading\Sql\SqlFragment;
use PHPUnit\Framework\TestCase;

final class SqlFragmentTest extends TestCase
{
    public function testAPartBringsWhatItAsksFor(): void
    {
        $both = (new SqlFragment('p.kind = :kind', ['kind' => 'page']))->andAlso(SqlFragment::contains('p.title', ['100%', 'a_b']));
        self::assertSame('p.kind = :kind AND true AND p.title ILIKE :word0 AND p.title ILIKE :word1', $both->sql);
        self::assertSame(['kind' => 'page', 'word0' => '%100\\%%', 'word1' => '%a\\_b%'], $both->parameters);
        self::assertTrue(SqlFragment::contains('p.title', [])->asksForNothing());
    }

    public function testOneNameDoesNotStandForTwoThings(): void
    {
        $one = new SqlFragment('a = :x', ['x' => 1]);
        self::assertSame(['x' => 1, 'y' => 2], $one->and('b = :y', ['x' => 1, 'y' => 2])->parameters);
        $this->expectException(\LogicException::class);
        $one->with(['x' => 2]);
    }
}
