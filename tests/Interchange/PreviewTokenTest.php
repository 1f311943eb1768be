<?php

declare(strict_types=1);

namespace Lantern\Tests\Interchange;

use Lantern\Interchange\PreviewToken;
use Lantern\Persistence\CopyName;
use PHPUnit\Framework\TestCase;

final class PreviewTokenTest extends TestCase
{
    public function testIsReadBackFromThePathItStandsIn(): void
    {
        $now = new \DateTimeImmutable('2026-03-01T12:00:00+00:00');
        $token = new PreviewToken(CopyName::Workbench, true, $now->modify('+30 days'), $now->modify('+2 hours'));
        $prefix = $token->prefix('secret');
        self::assertEquals([$token, $prefix, '/papers/%zz?a=1'], PreviewToken::fromPath("$prefix/papers/%zz?a=1", 'secret', $now));
        self::assertSame('/', PreviewToken::fromPath($prefix, 'secret', $now)[2] ?? null);
        self::assertNull(PreviewToken::fromPath("$prefix/", 'secret', $now->modify('+3 hours')), 'it runs out');
        self::assertNull(PreviewToken::fromPath("$prefix/", 'another secret', $now));
        self::assertNull(PreviewToken::fromPath(strtr($prefix, ['/-/preview/W' => '/-/preview/X']).'/', 'secret', $now));
        self::assertNull(PreviewToken::fromPath('/papers', 'secret', $now));
    }
}
