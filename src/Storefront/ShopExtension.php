<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Lantern\Core\Address\Address;
use Lantern\Core\Menu\ResolvedMenu;
use Lantern\Core\Place\Place;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Twig\Extension\AbstractExtension;
use Twig\TwigFilter;
use Twig\TwigFunction;

/** What the storefront's templates need besides Twig itself. */
final class ShopExtension extends AbstractExtension
{
    /** @var array<string, array{file: string, css?: list<string>}>|null */
    private ?array $manifest = null;

    public function __construct(#[Autowire('%kernel.project_dir%/public/storefront/.vite/manifest.json')] private readonly string $manifestFile)
    {
    }

    public function getFilters(): array
    {
        return [
            new TwigFilter('money', static fn (int $cents): string => '€ '.number_format($cents / 100, 2)),
        ];
    }

    public function getFunctions(): array
    {
        return [
            new TwigFunction('to', static fn (Visit $visit, Place|Address|string $to): string => $visit->prefix.match (true) {
                $to instanceof Place => $to->address->encoded(),
                $to instanceof Address => $to->encoded(),
                default => $to,
            }),
            // A menu's own links may lead outside; only those of this shop stay within a preview.
            new TwigFunction('entry_href', static fn (Visit $visit, string $href): string => str_starts_with($href, '/') ? $visit->prefix.$href : $href),
            new TwigFunction('current', static fn (ResolvedMenu $menu, ?Place $place): array => null === $place ? [] : $menu->current($place->id)),
            new TwigFunction('asset_file', fn (string $source): string => '/-/'.$this->entry($source)['file']),
            new TwigFunction('asset_styles', fn (string $source): array => array_map(static fn (string $file): string => "/-/$file", $this->entry($source)['css'] ?? [])),
        ];
    }

    /** @return array{file: string, css?: list<string>} */
    private function entry(string $source): array
    {
        if (null === $this->manifest) {
            /** @var array<string, array{file: string, css?: list<string>}> $read */
            $read = json_decode((string) file_get_contents($this->manifestFile), true, flags: \JSON_THROW_ON_ERROR);
            $this->manifest = $read;
        }

        return $this->manifest[$source] ?? throw new \LogicException("$source was not built. Run bin/start.");
    }
}
