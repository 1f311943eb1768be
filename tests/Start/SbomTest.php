<?php

declare(strict_types=1);

namespace Lantern\Tests\Start;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** bin/sbom names every library once, with its version and licence. */
final class SbomTest extends TestCase
{
    public function testEveryLibraryIsNamedOnce(): void
    {
        $said = (new Process([\dirname(__DIR__, 2).'/bin/sbom']))->mustRun()->getOutput();
        $bom = json_decode($said, true, flags: \JSON_THROW_ON_ERROR);
        self::assertIsArray($bom);
        self::assertSame(['CycloneDX', '1.6', 1], [$bom['bomFormat'] ?? '', $bom['specVersion'] ?? '', $bom['version'] ?? 0]);
        self::assertMatchesRegularExpression(
            '/^urn:uuid:[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/D',
            \is_string($bom['serialNumber'] ?? null) ? $bom['serialNumber'] : '',
        );
        $components = $bom['components'] ?? [];
        self::assertIsArray($components);
        $purls = array_column($components, 'purl');
        self::assertSame($purls, array_unique($purls));
        foreach ($components as $component) {
            self::assertIsArray($component);
            self::assertMatchesRegularExpression(
                '~^pkg:(composer|npm)/(?:[^/@]+/)?[^/@]+@[^@]+$~D',
                \is_string($component['purl'] ?? null) ? $component['purl'] : '',
            );
            self::assertContains($component['scope'] ?? '', ['required', 'excluded']);
            self::assertNotSame([], $component['licenses'] ?? [], (string) json_encode($component));
        }
        $scopes = array_column($components, 'scope', 'purl');
        $of = static fn (string $begins): array => array_values(array_unique(array_filter(
            $scopes,
            static fn (mixed $_, int|string $purl): bool => str_starts_with((string) $purl, $begins),
            \ARRAY_FILTER_USE_BOTH,
        )));
        self::assertSame(['required'], $of('pkg:composer/twig/twig@'));
        self::assertSame(['excluded'], $of('pkg:composer/phpunit/phpunit@'));
        self::assertSame(['required'], $of('pkg:npm/react@'));
    }
}
