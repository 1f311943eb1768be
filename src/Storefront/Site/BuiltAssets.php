<?php

declare(strict_types=1);

namespace Lantern\Storefront\Site;

use Lantern\Storefront\Pieces\LayoutStyles;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * The storefront's scripts and styles as they were built. The styles stand in each page itself: they are small, and a phone
 * shows the page a whole round trip sooner.
 *
 * @phpstan-type Built array{files: array<string, string>, styles: string, hash: string}
 */
final class BuiltAssets
{
    private const MAIN = 'web/storefront/main.ts';
    private const KEPT = 'lantern.assets.';

    /** @var Built|null */
    private ?array $built = null;

    public function __construct(#[Autowire('%kernel.project_dir%/public/storefront')] private readonly string $folder)
    {
    }

    /** @return string its address */
    public function script(string $source): string
    {
        return '/-/'.($this->built()['files'][$source] ?? throw new \LogicException("$source was not built. Run bin/start."));
    }

    public function styles(): string
    {
        return $this->built()['styles'];
    }

    /**
     * Which styles a page lets through, as its Content-Security-Policy names them.
     *
     * @param string $own hash of the page's own styles; empty where it has none
     */
    public function policy(string $own): string
    {
        return "'{$this->built()['hash']}'".('' === $own ? '' : " '$own'");
    }

    /** @return Built read once for each build that there was */
    private function built(): array
    {
        if (null === $this->built) {
            $manifest = "{$this->folder}/.vite/manifest.json";
            $key = self::KEPT.filemtime($manifest).".$manifest";
            $kept = apcu_enabled() ? apcu_fetch($key) : false;
            if (!\is_array($kept)) {
                $kept = $this->read($manifest);
                if (apcu_enabled()) {
                    apcu_store($key, $kept);
                }
            }
            /** @var Built $kept */
            $this->built = $kept;
        }

        return $this->built;
    }

    /** @return Built */
    private function read(string $manifest): array
    {
        /** @var array<string, array{file: string, css?: list<string>}> $entries */
        $entries = json_decode((string) file_get_contents($manifest), true, flags: \JSON_THROW_ON_ERROR);
        $styles = implode(
            '',
            array_map(fn (string $file): string => (string) file_get_contents("{$this->folder}/$file"), $entries[self::MAIN]['css'] ?? []),
        );

        return [
            'files' => array_column(
                array_map(static fn (string $source, array $entry): array => [$source, $entry['file']], array_keys($entries), $entries),
                1,
                0,
            ),
            'styles' => $styles,
            'hash' => LayoutStyles::hash($styles),
        ];
    }
}
