<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

use Lantern\Core\Refused;

/** A drawing that the shop takes in: SVG 1.1 with shapes and words, and with nothing that runs or fetches. */
final class Drawing
{
    public const MAX_BYTES = 1024 * 1024;

    private const MOST_COPIES = 5000;
    private const MOST_NESTED = 12;

    /** What runs or fetches by its name, whatever namespace it says that it is of. */
    private const NEVER = [
        'script',
        'handler',
        'listener',
        'foreignobject',
        'iframe',
        'object',
        'embed',
        'audio',
        'video',
        'image',
        'img',
        'link',
        'base',
        'meta',
        'html',
        'body',
    ];

    /** Functions of CSS that fetch something, but for what stands in the drawing itself (CSS Images 4; CSS Values 4). */
    private const FETCHES = '(?:url|src|image|image-set|cross-fade|element|paint)\s*\((?!\s*["\']?#)';
    private const ELEMENTS = [
        'svg', 'g', 'defs', 'symbol', 'use', 'title', 'desc', 'metadata', 'path', 'rect', 'circle', 'ellipse', 'line', 'polyline',
        'polygon',
        'text', 'tspan', 'textPath', 'linearGradient', 'radialGradient', 'stop', 'clipPath', 'mask', 'pattern', 'marker', 'style',
    ];

    /** @throws Refused naming what is wrong */
    public static function check(string $name, string $svg): void
    {
        if (\strlen($svg) > self::MAX_BYTES) {
            throw new Refused(
                'file',
                \sprintf(
                    'A drawing has at most %d MB; “%s” has %.1f MB. Save it plainer, or as PNG.',
                    self::MAX_BYTES >> 20,
                    $name,
                    \strlen($svg) / (1 << 20),
                ),
            );
        }
        // Read as what it is stored as: in another encoding the same bytes would be other letters for whoever looks them over.
        if (
            !mb_check_encoding($svg, 'UTF-8')
            || 1 === preg_match('/^\s*<\?xml[^>]*\bencoding\s*=\s*["\'](?!utf-8)/i', ltrim($svg, "\u{FEFF}"))
        ) {
            throw new Refused('file', "“{$name}” is not in UTF-8. Save it anew as plain SVG, then upload it again.");
        }
        $document = new \DOMDocument();
        $before = libxml_use_internal_errors(true);
        try {
            // Nothing is fetched, and nothing stands for anything else.
            $root = '' !== $svg && $document->loadXML($svg, \LIBXML_NONET) ? $document->documentElement : null;
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($before);
        }
        if (null === $root || 'svg' !== $root->localName) {
            throw new Refused('file', "“{$name}” cannot be read as a drawing. Save it anew as SVG, then upload it again.");
        }
        $wrong = self::wrongAround($document)
            ?? self::wrong($root)
            ?? (self::isEndless($document) ? 'a part that is drawn again and again' : null);
        if (null !== $wrong) {
            throw new Refused(
                'file',
                "“{$name}” has {$wrong} in it, which a picture of the shop must not have. Save it as plain SVG, without scripts and "
                    .'without what it fetches, or as PNG.',
            );
        }
    }

    /** What may declare entities, or fetch a style: nothing but the document type of SVG itself. */
    private static function wrongAround(\DOMDocument $document): ?string
    {
        $type = $document->doctype;
        if (null !== $type && ('' !== trim($type->internalSubset ?? '') || !str_starts_with($type->publicId, '-//W3C//DTD SVG '))) {
            return 'a document type of its own';
        }
        $xpath = new \DOMXPath($document);
        foreach ($xpath->query('//processing-instruction()') ?: [] as $instruction) {
            return "an instruction (<?{$instruction->nodeName}>)";
        }

        return null;
    }

    /** Whether a few <use> make so many copies of copies that a browser does not come to an end. */
    private static function isEndless(\DOMDocument $document): bool
    {
        $byId = [];
        foreach ($document->getElementsByTagName('*') as $element) {
            if ($element->hasAttribute('id')) {
                $byId[$element->getAttribute('id')] ??= $element;
            }
        }
        $costs = [];
        $cost = static function (\DOMElement $element, int $depth) use (&$cost, &$costs, $byId): int {
            if ($depth > self::MOST_NESTED) {
                return self::MOST_COPIES + 1;
            }
            $sum = 1;
            $uses = [
                ...'use' === $element->localName ? [$element] : [],
                ...iterator_to_array($element->getElementsByTagNameNS('*', 'use'), false),
            ];
            foreach ($uses as $use) {
                $id = ltrim($use->getAttribute('href') ?: $use->getAttributeNS('http://www.w3.org/1999/xlink', 'href'), '#');
                if (isset($byId[$id])) {
                    $sum += $costs[$id] ??= $cost($byId[$id], $depth + 1);
                }
                if ($sum > self::MOST_COPIES) {
                    break;
                }
            }

            return $sum;
        };

        return null !== $document->documentElement && $cost($document->documentElement, 0) > self::MOST_COPIES;
    }

    private static function wrong(\DOMElement $within): ?string
    {
        foreach ([$within, ...iterator_to_array($within->getElementsByTagName('*'))] as $element) {
            if (!$element instanceof \DOMElement) {
                continue;
            }
            // What a drawing program notes for itself is in a namespace of its own and is drawn by nobody.
            $isSvg = \in_array($element->namespaceURI, [null, 'http://www.w3.org/2000/svg'], true);
            if (
                \in_array(strtolower((string) $element->localName), self::NEVER, true)
                || (
                    $isSvg
                        ? !\in_array($element->localName, self::ELEMENTS, true)
                        : 'http://www.w3.org/1999/xhtml' === $element->namespaceURI
                )
            ) {
                return "<{$element->localName}>";
            }
            if (
                'style' === $element->localName
                && 1 === preg_match('/@import|@namespace|expression|\\\\|'.self::FETCHES.'/i', $element->textContent)
            ) {
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
                if (1 === preg_match('/javascript:|'.self::FETCHES.'/i', $value) || 'style' === $name && str_contains($value, '\\')) {
                    return 'something that it fetches';
                }
            }
        }

        return null;
    }
}
