<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Lantern\Core\Address\Address;
use Lantern\Core\Menu\ResolvedMenu;
use Lantern\Core\Piece\ContactDetail;
use Lantern\Core\Place\Place;
use Twig\Extension\AbstractExtension;
use Twig\TwigFilter;
use Twig\TwigFunction;

/** What the storefront's templates need besides Twig itself. */
final class ShopExtension extends AbstractExtension
{
    public function __construct(private readonly BuiltAssets $assets)
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
            // An uploaded picture is shown as its file opens, so a preview asks within itself.
            new TwigFunction('picture_src', static fn (Visit $visit, string $picture): string => (str_starts_with($picture, 'uploads/') ? $visit->prefix : '')."/-/pictures/$picture"),
            // A menu's own links may lead outside; only those of this shop stay within a preview.
            new TwigFunction('entry_href', static fn (Visit $visit, string $href): string => str_starts_with($href, '/') ? $visit->prefix.$href : $href),
            new TwigFunction('current', static fn (ResolvedMenu $menu, ?Place $place): array => null === $place ? [] : $menu->current($place->id)),
            new TwigFunction('contact_href', static fn (string $detail, string $value): ?string => ContactDetail::tryFrom($detail)?->href($value)),
            new TwigFunction('asset_file', $this->assets->script(...)),
            new TwigFunction('shop_styles', $this->assets->styles(...), ['is_safe' => ['html']]),
        ];
    }
}
