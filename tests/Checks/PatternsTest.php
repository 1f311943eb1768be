<?php

declare(strict_types=1);

namespace Lantern\Tests\Checks;

use PHPUnit\Framework\TestCase;

/** To PHP's patterns `$` is also the spot before a last line end, unless it is told otherwise: an id with one behind it would be an id. */
final class PatternsTest extends TestCase
{
    public function testAPatternThatHasAnEndEndsThere(): void
    {
        $loose = $seen = 0;
        $where = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(
            \dirname(__DIR__, 2).'/src',
            \FilesystemIterator::SKIP_DOTS,
        )) as $file) {
            if (!$file instanceof \SplFileInfo || 'php' !== $file->getExtension()) {
                continue;
            }
            foreach (token_get_all((string) file_get_contents($file->getPathname())) as $token) {
                if (
                    !\is_array($token)
                    || \T_CONSTANT_ENCAPSED_STRING !== $token[0]
                    || 1 !== preg_match('~^[\'"](?:.*)\$\)?([/#\~])([a-zA-Z]*)[\'"]$~Ds', $token[1], $found)
                ) {
                    continue;
                }
                ++$seen;
                if (!str_contains($found[2], 'D') && !str_contains($found[2], 'm')) {
                    ++$loose;
                    $where[] = $file->getFilename().':'.$token[2].' '.$token[1];
                }
            }
        }
        self::assertGreaterThan(10, $seen, 'it finds patterns at all');
        self::assertSame(0, $loose, implode("\n", $where));
    }
}
