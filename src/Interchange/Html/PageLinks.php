<?php

declare(strict_types=1);

namespace Lantern\Interchange\Html;

/** What a page leads to and is made of, read from its HTML as a browser would. */
final readonly class PageLinks
{
    /**
     * @param list<string> $links addresses as they are written: of links, buttons, forms, pictures, scripts and styles
     * @param list<string> $ids   parts of the page that a link can lead to
     */
    private function __construct(public array $links, public array $ids)
    {
    }

    public static function of(string $html): self
    {
        $document = new \DOMDocument();
        if (
            '' === trim($html)
            || !@$document->loadHTML(
                '<?xml encoding="utf-8"?>'.$html,
                \LIBXML_NOERROR | \LIBXML_NOWARNING | \LIBXML_NONET | \LIBXML_COMPACT,
            )
        ) {
            return new self([], []);
        }
        $path = new \DOMXPath($document);
        $links = $ids = [];
        foreach (self::values(
            $path,
            '//a/@href | //area/@href | //img/@src | //source/@src | //video/@src | //video/@poster | //audio/@src | //iframe/@src | '
                .'//script/@src | //link[@rel="stylesheet" or @rel="icon" or @rel="preload" or @rel="manifest" or @rel="next" or '
                .'@rel="prev"]/@href | //form/@action',
        ) as $value) {
            $links[trim($value)] = true;
        }
        foreach (self::values($path, '//img/@srcset | //source/@srcset') as $set) {
            foreach (explode(',', $set) as $one) {
                $links[explode(' ', trim($one), 2)[0]] = true;
            }
        }
        foreach (self::values($path, '//@id | //a/@name') as $id) {
            $ids[$id] = true;
        }

        return new self(array_map(strval(...), array_keys($links)), array_map(strval(...), array_keys($ids)));
    }

    /** @return iterable<string> */
    private static function values(\DOMXPath $path, string $expression): iterable
    {
        foreach ($path->query($expression) ?: [] as $node) {
            yield $node->nodeValue ?? '';
        }
    }
}
