<?php

declare(strict_types=1);

namespace Lantern\Tests\Node\Memory;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Which memory a node has is asked when a process runs, not when the container is compiled. */
final class NodeCacheTest extends TestCase
{
    public function testEachProcessUsesWhatItHas(): void
    {
        self::assertSame('Symfony\Component\Cache\Adapter\ApcuAdapter', $this->adapterWith('1'));
        self::assertSame('Symfony\Component\Cache\Adapter\ArrayAdapter', $this->adapterWith('0'));
    }

    private function adapterWith(string $enabled): string
    {
        $process = new Process([
            \PHP_BINARY,
            '-d',
            "apc.enable_cli=$enabled",
            '-r',
            \sprintf(
                'require %s; echo Lantern\Node\Memory\NodeCache::make()::class;',
                var_export(\dirname(__DIR__, 3).'/vendor/autoload.php', true),
            ),
        ]);

        return $process->mustRun()->getOutput();
    }
}
