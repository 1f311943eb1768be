<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Address;

use Lantern\Core\Address\Query;
use PHPUnit\Framework\TestCase;

final class QueryTest extends TestCase
{
    public function testTheVisitorsParametersSurviveAndTheTargetsOwnWin(): void
    {
        self::assertSame('sort=name&from=letter', Query::merge('sort=name', 'from=letter&sort=price'));
        self::assertSame('a=1&a=2&b=3', Query::merge('a=1&a=2', 'a=9&b=3'));
        self::assertSame('q=%2B', Query::merge('', 'q=%2B'));
        self::assertSame('', Query::merge('', ''));
        self::assertSame('so%72t=1', Query::merge('so%72t=1', 'sort=2'));
    }

    public function testIsAddedBeforeTheFragment(): void
    {
        self::assertSame('https://example.org/a?own=1&x=2#part', Query::added('https://example.org/a?own=1#part', 'x=2&own=3'));
        self::assertSame('/a', Query::added('/a', ''));
        self::assertSame('/a?x=%20', Query::added('/a', 'x=%20'));
    }
}
