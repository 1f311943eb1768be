<?php

declare(strict_types=1);

namespace Lantern\Storefront\Site;

use Lantern\Core\Address\Address;
use Lantern\Core\Piece\ContactDetail;
use Lantern\Core\Place\Place;
use Lantern\Storefront\Frame\ShownFrame;
use Lantern\Storefront\Http\Visit;
use Twig\Extension\AbstractExtension;
use Twig\TwigFilter;
use Twig\TwigFunction;

/**
 * What the storefront's templates need besides Twig itself. All are methods, which compiled templates call as they are: for a closure
 * Twig would have to be got ready to compile with every page.
 */
final class ShopExtension extends AbstractExtension
{
    public function __construct(private readonly BuiltAssets $assets)
    {
    }

    public function getFilters(): array
    {
        return [new TwigFilter('money', [self::class, 'money'])];
    }

    public function getFunctions(): array
    {
        return [
            new TwigFunction('to', [self::class, 'to']),
            new TwigFunction('picture_src', [self::class, 'pictureSource']),
            new TwigFunction('entry_href', [self::class, 'entryHref']),
            new TwigFunction('current_mark', [ShownFrame::class, 'currentMark'], ['is_safe' => ['html']]),
            new TwigFunction('open_mark', [ShownFrame::class, 'openMark'], ['is_safe' => ['html']]),
            new TwigFunction('contact_href', [self::class, 'contactHref']),
            new TwigFunction('asset_file', [$this, 'script']),
            new TwigFunction('shop_styles', [$this, 'styles'], ['is_safe' => ['html']]),
        ];
    }

    /** @param int $cents of the shop's currency */
    public static function money(int $cents): string
    {
        return '€ '.number_format($cents / 100, 2);
    }

    public static function to(Visit $visit, Place|Address|string $to): string
    {
        return $visit->prefix.match (true) {
            $to instanceof Place => $to->address->encoded(),
            $to instanceof Address => $to->encoded(),
            default => $to,
        };
    }

    /** An uploaded picture is shown as its file opens, so a preview asks within itself. */
    public static function pictureSource(Visit $visit, string $picture): string
    {
        return (str_starts_with($picture, 'uploads/') ? $visit->prefix : '')."/-/pictures/$picture";
    }

    /** A menu's own links may lead outside; only those of this shop stay within a preview. */
    public static function entryHref(Visit $visit, string $href): string
    {
        return str_starts_with($href, '/') ? $visit->prefix.$href : $href;
    }

    public static function contactHref(string $detail, string $value): ?string
    {
        return ContactDetail::tryFrom($detail)?->href($value);
    }

    public function script(string $entry): string
    {
        return $this->assets->script($entry);
    }

    public function styles(): string
    {
        return $this->assets->styles();
    }
}
