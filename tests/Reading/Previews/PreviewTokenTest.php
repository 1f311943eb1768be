<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Previews;

use Lantern\Core\Release\CopyName;
use Lantern\Reading\Previews\PreviewToken;
use Lantern\Reading\Previews\PreviewVisit;
use PHPUnit\Framework\TestCase;

final class PreviewTokenTest extends TestCase
{
    public function testIsReadBackFromThePathItStandsIn(): void
    {
        $now = new \DateTimeImmutable('2026-03-01T12:00:00+00:00');
        $token = new PreviewToken(CopyName::Workbench, true, $now->modify('+30 days'), $now->modify('+2 hours'), 'key');
        $prefix = $token->prefix('secret');
        self::assertEquals(
            new PreviewVisit($token, $prefix, '/papers/%zz?a=1'),
            PreviewToken::fromPath("$prefix/papers/%zz?a=1", 'secret', $now),
        );
        self::assertSame('/', PreviewToken::fromPath($prefix, 'secret', $now)?->target);
        self::assertNull(PreviewToken::fromPath("$prefix/", 'secret', $now->modify('+3 hours')), 'it runs out');
        self::assertNull(PreviewToken::fromPath("$prefix/", 'another secret', $now));
        self::assertNull(PreviewToken::fromPath(strtr($prefix, ['/-/preview/W' => '/-/preview/X']).'/', 'secret', $now));
        self::assertNull(PreviewToken::fromPath('/papers', 'secret', $now));
    }
}
