<?php

declare(strict_types=1);

namespace Lantern\Core\Shop;

use Lantern\Core\Refused;

/** A mark that the shop drew itself, as SVG 1.1: shapes only, in the colour of the words beside it. */
final class MarkDrawing
{
    public const MOST = 4000;
    /** What may stand in it, with the attributes of each. */
    private const SHAPES = [
        'g' => [], 'path' => ['d'], 'circle' => ['cx', 'cy', 'r'], 'ellipse' => ['cx', 'cy', 'rx', 'ry'], 'rect' => [
            'x',
            'y',
            'width',
            'height',
            'rx',
            'ry',
        ],
        'line' => ['x1', 'y1', 'x2', 'y2'], 'polyline' => ['points'], 'polygon' => ['points'],
    ];
    private const LOOKS = ['stroke-width', 'stroke-linecap', 'stroke-linejoin', 'transform', 'fill-rule'];
    private const DEPTH = 8;

    /**
     * @return string an SVG element with shapes and nothing else; two drawings that look alike may be written differently
     *
     * @throws Refused where it is none
     */
    public static function cleaned(string $svg): string
    {
        if (\strlen($svg) > self::MOST) {
            throw new Refused(
                'words',
                \sprintf('A mark is drawn in at most %d letters of SVG; this has %d. Save it plainer.', self::MOST, \strlen($svg)),
            );
        }
        $document = new \DOMDocument();
        $before = libxml_use_internal_errors(true);
        try {
            // Nothing is fetched and no entity is put in: a document type is refused altogether.
            $root = !str_contains($svg, '<!') && $document->loadXML($svg, \LIBXML_NONET) ? $document->documentElement : null;
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($before);
        }
        $box = null === $root || 'svg' !== $root->localName ? '' : $root->getAttribute('viewBox');
        if (null === $root || 1 !== preg_match('/^-?[\d.]{1,8}(?:[ ,]+-?[\d.]{1,8}){3}$/D', trim($box))) {
            throw new Refused(
                'words',
                'This is no drawing that a mark can be made of. Paste SVG that begins with <svg viewBox="0 0 12 12"> and has shapes in it.',
            );
        }
        $shapes = self::shapes($root, 0);
        if ('' === $shapes) {
            throw new Refused(
                'words',
                'There is no shape in this drawing. A mark is made of path, circle, ellipse, rect, line, polyline and polygon.',
            );
        }

        return '<svg viewBox="'.trim($box)."\" width=\"11\" height=\"11\" aria-hidden=\"true\">$shapes</svg>";
    }

    private static function shapes(\DOMElement $within, int $depth): string
    {
        $drawn = '';
        foreach ($within->childNodes as $node) {
            if (!$node instanceof \DOMElement || $depth > self::DEPTH || !isset(self::SHAPES[(string) $node->localName])) {
                continue;
            }
            $name = (string) $node->localName;
            $attributes = '';
            foreach ([...self::SHAPES[$name], ...self::LOOKS] as $attribute) {
                $value = trim($node->getAttribute($attribute));
                if ('' !== $value && 1 === preg_match('/^[\w\s.,()+-]+$/D', $value)) {
                    $attributes .= " $attribute=\"$value\"";
                }
            }
            foreach (['fill', 'stroke'] as $paint) {
                $value = strtolower(trim($node->getAttribute($paint)));
                $attributes .= '' === $value ? '' : " $paint=\"".('none' === $value ? 'none' : 'currentColor').'"';
            }
            $below = 'g' === $name ? self::shapes($node, $depth + 1) : '';
            $drawn .= 'g' === $name && '' === $below ? '' : "<$name$attributes>$below</$name>";
        }

        return $drawn;
    }
}
