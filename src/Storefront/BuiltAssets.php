<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * The storefront's scripts and styles as they were built. The styles stand in each page itself: they are small, and a phone
 * shows the page a whole round trip sooner.
 */
final class BuiltAssets
{
    private const MAIN = 'web/storefront/main.ts';

    /** @var array<string, array{file: string, css?: list<string>}>|null */
    private ?array $manifest = null;
    private ?string $styles = null;
    private ?string $hash = null;

    public function __construct(#[Autowire('%kernel.project_dir%/public/storefront')] private readonly string $folder)
    {
    }

    /** @return string its address */
    public function script(string $source): string
    {
        return '/-/'.$this->entry($source)['file'];
    }

    public function styles(): string
    {
        return $this->styles ??= implode('', array_map(fn (string $file): string => (string) file_get_contents("{$this->folder}/$file"), $this->entry(self::MAIN)['css'] ?? []));
    }

    /**
     * Which styles a page lets through, as its Content-Security-Policy names them.
     *
     * @param string $own hash of the page's own styles; empty where it has none
     */
    public function policy(string $own): string
    {
        $this->hash ??= LayoutStyles::hash($this->styles());

        return "'{$this->hash}'".('' === $own ? '' : " '$own'");
    }

    /** @return array{file: string, css?: list<string>} */
    private function entry(string $source): array
    {
        if (null === $this->manifest) {
            /** @var array<string, array{file: string, css?: list<string>}> $read */
            $read = json_decode((string) file_get_contents("{$this->folder}/.vite/manifest.json"), true, flags: \JSON_THROW_ON_ERROR);
            $this->manifest = $read;
        }

        return $this->manifest[$source] ?? throw new \LogicException("$source was not built. Run bin/start.");
    }
}
