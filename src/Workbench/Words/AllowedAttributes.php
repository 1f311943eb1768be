<?php

declare(strict_types=1);

namespace Lantern\Workbench\Words;

use Lantern\Core\Words\Blank;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;
use Symfony\Component\HtmlSanitizer\TextSanitizer\UrlSanitizer;
use Symfony\Component\HtmlSanitizer\Visitor\AttributeSanitizer\AttributeSanitizerInterface;

/** Which values the attributes of a text may have, beyond what the sanitizer itself asks of addresses. */
final class AllowedAttributes implements AttributeSanitizerInterface
{
    public const SCHEMES = ['http', 'https', 'mailto', 'tel', 'place'];

    private const PLACE = 'place:[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}';

    public function getSupportedElements(): ?array
    {
        return null;
    }

    public function getSupportedAttributes(): ?array
    {
        return null;
    }

    public function sanitizeAttribute(string $element, string $attribute, string $value, HtmlSanitizerConfig $config): ?string
    {
        $holds = match ($attribute) {
            'href' => self::isLink($value),
            'src', 'poster' => 1 === preg_match('~^'.self::PLACE.'$~D', $value),
            'class' => 'button' === $value,
            'id' => 1 === preg_match('/^[a-z0-9][a-z0-9-]{0,79}$/D', $value),
            'data-blank' => null !== Blank::tryFrom($value),
            'colspan', 'rowspan' => ctype_digit($value) && (int) $value >= 1 && (int) $value <= 30,
            'scope' => \in_array($value, ['col', 'row'], true),
            'start' => ctype_digit($value) && (int) $value < 10000,
            'alt', 'aria-label' => mb_strlen($value) <= 500,
            default => false,
        };

        return $holds ? $value : null;
    }

    /** Whether a link with this address is left by the sanitizer with these attributes. */
    public static function isLink(string $href): bool
    {
        $matches = 1 === preg_match(
            '~^(?:'.self::PLACE.'(?:#[^\s"]*)?|#[^\s"]+|/(?![/\\\\])[^\s"]*|https?://[^\s"]+|mailto:[^\s"]+|tel:[+\d]+)$|^/$~Di',
            $href,
        );

        return $matches && null !== UrlSanitizer::sanitize($href, self::SCHEMES, false, null, true);
    }
}
