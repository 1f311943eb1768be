<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

use Lantern\Core\Refused;

/** A drawing that the shop takes in: SVG 1.1 with shapes and words, and with nothing that runs or fetches. */
final class Drawing
{
    public const MAX_BYTES = 1024 * 1024;
    private const ELEMENTS = [
        'svg', 'g', 'defs', 'symbol', 'use', 'title', 'desc', 'metadata', 'path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon',
        'text', 'tspan', 'textPath', 'linearGradient', 'radialGradient', 'stop', 'clipPath', 'mask', 'pattern', 'marker', 'style',
    ];

    /** @throws Refused naming what is wrong */
    public static function check(string $name, string $svg): void
    {
        if (\strlen($svg) > self::MAX_BYTES) {
            throw new Refused('file', \sprintf('A drawing has at most %d MB; “%s” has %.1f MB. Save it plainer, or as PNG.', self::MAX_BYTES >> 20, $name, \strlen($svg) / (1 << 20)));
        }
        $document = new \DOMDocument();
        $before = libxml_use_internal_errors(true);
        try {
            // Nothing is fetched. An entity could stand for anything, so none may be declared.
            $root = '' !== $svg && !str_contains($svg, '<!ENTITY') && $document->loadXML($svg, \LIBXML_NONET) ? $document->documentElement : null;
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($before);
        }
        if (null === $root || 'svg' !== $root->localName) {
            throw new Refused('file', "“{$name}” cannot be read as a drawing. Save it anew as SVG, then upload it again.");
        }
        $wrong = self::wrong($root);
        if (null !== $wrong) {
            throw new Refused('file', "“{$name}” has {$wrong} in it, which a picture of the shop must not have. Save it as plain SVG, without scripts and without what it fetches, or as PNG.");
        }
    }

    private static function wrong(\DOMElement $within): ?string
    {
        foreach ([$within, ...iterator_to_array($within->getElementsByTagName('*'))] as $element) {
            if (!$element instanceof \DOMElement) {
                continue;
            }
            // What a drawing program notes for itself is in a namespace of its own and is drawn by nobody.
            $isSvg = \in_array($element->namespaceURI, [null, 'http://www.w3.org/2000/svg'], true);
            if ($isSvg ? !\in_array($element->localName, self::ELEMENTS, true) : 'http://www.w3.org/1999/xhtml' === $element->namespaceURI) {
                return "<{$element->localName}>";
            }
            if ('style' === $element->localName && 1 === preg_match('/@import|url\s*\((?!\s*["\']?#)|expression|\\\\/i', $element->textContent)) {
                return 'a style that fetches something';
            }
            foreach (iterator_to_array($element->attributes) as $attribute) {
                $name = strtolower($attribute->nodeName);
                $value = trim($attribute->value);
                if (str_starts_with($name, 'on')) {
                    return "a script ({$attribute->nodeName})";
                }
                if (\in_array(preg_replace('/^.*:/', '', $name), ['href', 'src'], true) && '' !== $value && !str_starts_with($value, '#')) {
                    return "a link ({$attribute->nodeName})";
                }
                if (1 === preg_match('/url\s*\((?!\s*["\']?#)|javascript:/i', $value)) {
                    return 'something that it fetches';
                }
            }
        }

        return null;
    }
}
