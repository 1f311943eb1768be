<?php

declare(strict_types=1);

namespace Lantern\Interchange\Opml;

use Lantern\Core\Outline\OutlineLine;
use Lantern\Core\Outline\PastedOutline;
use Lantern\Core\Refused;

/** Menus as OPML 2.0 (http://opml.org/spec2.opml): an outline of links; `isComment` is an entry that is switched off. */
final class Opml
{
    private const MOST_BYTES = 1_000_000;

    /** The parser takes quadratic time for the attributes of one element. */
    private const TOO_MANY_ATTRIBUTES = '/<[^\s<>]++(?:\s++[^\s=<>"\']++\s*+=\s*+(?:"[^"<]*+"|\'[^\'<]*+\')){60}/';

    /**
     * @return list<OutlineLine>
     *
     * @throws Refused where it is no OPML, or brings a document type with it: what that defines is never expanded
     */
    public static function read(string $xml): array
    {
        if (\strlen($xml) > self::MOST_BYTES) {
            throw new Refused('content', 'This file has more than a megabyte, which is no menu. Choose another one.');
        }
        if (0 !== preg_match(self::TOO_MANY_ATTRIBUTES, $xml)) {
            throw new Refused(
                'content',
                'This file has an element with more than sixty attributes, which is no line of a menu. Choose another one.',
            );
        }
        if (1 === preg_match('/<!DOCTYPE|<!ENTITY/i', $xml)) {
            throw new Refused(
                'content',
                'This file defines things of its own (a document type), which OPML does not need. It was not read. '
                    .'Export it again without.',
            );
        }
        $before = libxml_use_internal_errors(true);
        $document = new \DOMDocument();
        $read = '' !== trim($xml) && $document->loadXML($xml, \LIBXML_NONET | \LIBXML_COMPACT);
        $error = libxml_get_last_error();
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if (!$read) {
            throw new Refused(
                'content',
                \sprintf(
                    'This is not well-formed XML%s. Export it again.',
                    false === $error ? '' : \sprintf(': in line %d, %s', $error->line, lcfirst(trim($error->message))),
                ),
            );
        }
        $body = 'opml' === $document->documentElement?->nodeName ? $document->getElementsByTagName('body')->item(0) : null;
        if (!$body instanceof \DOMElement) {
            throw new Refused('content', 'This is XML, but not OPML: it has no <opml> with a <body>. Choose another file.');
        }
        $lines = [];
        self::collect($body, 1, $lines);
        if ([] === $lines) {
            throw new Refused('content', 'There is no outline in this file.');
        }

        return $lines;
    }

    /** @param list<OutlineLine> $lines */
    private static function collect(\DOMElement $parent, int $level, array &$lines): void
    {
        foreach ($parent->childNodes as $outline) {
            if (!$outline instanceof \DOMElement || 'outline' !== $outline->nodeName) {
                continue;
            }
            if (\count($lines) >= PastedOutline::MOST_LINES || $level > 100) {
                throw new Refused(
                    'content',
                    \sprintf(
                        'This file has more than %s entries, or more than 100 levels. Bring it in parts.',
                        number_format(PastedOutline::MOST_LINES),
                    ),
                );
            }
            $label = trim($outline->getAttribute('text') ?: $outline->getAttribute('title'));
            $lead = trim($outline->getAttribute('url') ?: $outline->getAttribute('htmlUrl') ?: $outline->getAttribute('xmlUrl'));
            $lines[] = new OutlineLine(
                \count($lines) + 1,
                $level,
                mb_substr($label, 0, 200),
                $lead,
                'true' !== $outline->getAttribute('isComment'),
            );
            self::collect($outline, $level + 1, $lines);
        }
    }

    /**
     * @param list<OutlineLine> $lines with whole URLs as leads
     */
    public static function write(string $title, array $lines, \DateTimeImmutable $made): string
    {
        $writer = new \XMLWriter();
        $writer->openMemory();
        $writer->setIndent(true);
        $writer->setIndentString('  ');
        $writer->startDocument('1.0', 'UTF-8');
        $writer->startElement('opml');
        $writer->writeAttribute('version', '2.0');
        $writer->startElement('head');
        $writer->writeElement('title', $title);
        $writer->writeElement('dateModified', $made->format(\DATE_RFC7231));
        $writer->endElement();
        $writer->startElement('body');
        $open = 0;
        foreach ($lines as $line) {
            for (; $open >= $line->level; --$open) {
                $writer->endElement();
            }
            $writer->startElement('outline');
            $writer->writeAttribute('text', $line->label);
            if ('' !== $line->lead) {
                $writer->writeAttribute('type', 'link');
                $writer->writeAttribute('url', $line->lead);
            }
            if (!$line->enabled) {
                $writer->writeAttribute('isComment', 'true');
            }
            ++$open;
        }
        for (; $open > 0; --$open) {
            $writer->endElement();
        }
        $writer->endDocument();

        return $writer->outputMemory();
    }
}
