<?php

declare(strict_types=1);

namespace Lantern\Interchange\Csv;

use Lantern\Core\Redirect\Judgement;
use Lantern\Core\Redirect\LineOutcome;
use Lantern\Core\Redirect\SheetLine;
use Lantern\Core\Refused;

/**
 * Redirects as CSV (RFC 4180): UTF-8 with or without a mark, separated by commas, semicolons or tabs, headings matched by what they mean.
 */
final class RedirectCsv
{
    public const HEADINGS = ['source', 'target', 'status', 'until', 'note'];
    private const MOST_COLUMNS = 40;

    /** How a cell begins that a spreadsheet would run. */
    private const FORMULA = '/^[=+\-@\t\r]/';

    /** Words by which a heading is known, besides the heading itself. */
    private const MEANINGS = [
        'source' => ['source', 'from', 'redirect from', 'old', 'old address', 'old url', 'old path', 'request', 'origin', 'path', 'url'],
        'target' => [
            'target',
            'to',
            'new',
            'new address',
            'new url',
            'new path',
            'destination',
            'goal',
            'leads to',
            'redirect to',
            'location',
        ],
        'status' => ['status', 'code', 'http status', 'type', 'status code'],
        'until' => ['until', 'end', 'ends', 'end date', 'expires', 'valid until'],
        'note' => ['note', 'notes', 'comment', 'remark', 'why'],
    ];

    /**
     * @param resource $file read from where it stands
     *
     * @return \Generator<int, SheetLine>
     *
     * @throws Refused where it is not CSV, or has no column that could be a source and a target
     */
    public static function read($file): \Generator
    {
        $begin = (string) fread($file, 4096);
        if (str_contains($begin, "\0")) {
            throw new Refused('file', 'This is not a CSV file, or it is not UTF-8. Save it as CSV (UTF-8) and choose it again.');
        }
        rewind($file);
        if (str_starts_with($begin, "\u{FEFF}")) {
            fseek($file, 3);
            $begin = substr($begin, 3);
        }
        $first = strtok($begin, "\r\n") ?: '';
        $counts = [];
        foreach ([',', ';', "\t"] as $separator) {
            $counts[$separator] = substr_count($first, $separator);
        }
        arsort($counts);
        $separator = (string) array_key_first($counts);
        if (0 === $counts[$separator]) {
            throw new Refused(
                'file',
                'The first line has only one column. A file of redirects has at least two, the old address and the new one, separated by a '
                    .'comma or a semicolon.',
            );
        }
        yield from self::lines($file, $separator);
    }

    /**
     * @param resource $file
     *
     * @return \Generator<int, SheetLine>
     */
    private static function lines($file, string $separator): \Generator
    {
        $columns = null;
        $number = 0;
        while (false !== $cells = fgetcsv($file, null, $separator, '"', '')) {
            ++$number;
            if ([null] === $cells) {
                continue;
            }
            if (\count($cells) > self::MOST_COLUMNS) {
                throw new Refused(
                    'file',
                    \sprintf(
                        'Line %d has %d columns; a file of redirects has at most %d. Is this the right file?',
                        $number,
                        \count($cells),
                        self::MOST_COLUMNS,
                    ),
                );
            }
            $cells = array_map(static fn (?string $cell): string => self::plain(trim((string) $cell)), $cells);
            if (null === $columns) {
                $columns = self::columns($cells);
                if (null !== $columns) {
                    continue;
                }
                // No headings: the old address comes first.
                $columns = array_flip(\array_slice(self::HEADINGS, 0, \count($cells)));
                if (!str_starts_with($cells[0], '/') && 1 !== preg_match('/^https?:/i', $cells[0])) {
                    throw new Refused(
                        'file',
                        'No column is named like an old address and a new one, such as source and target, and the first line is no '
                            .'redirect either.',
                    );
                }
            }
            $cell = static fn (string $name): string => isset($columns[$name]) ? ($cells[$columns[$name]] ?? '') : '';
            if (!mb_check_encoding(implode('', $cells), 'UTF-8')) {
                throw new Refused('file', \sprintf('Line %d is not UTF-8. Save the file as CSV (UTF-8) and choose it again.', $number));
            }
            if ('' !== implode('', $cells)) {
                yield new SheetLine(
                    $number,
                    $cell('source'),
                    $cell('target'),
                    $cell('status'),
                    $cell('until'),
                    mb_substr($cell('note'), 0, 500),
                );
            }
        }
    }

    /**
     * @param list<string> $cells
     *
     * @return array<string, int>|null null where these are no headings
     */
    private static function columns(array $cells): ?array
    {
        $columns = [];
        foreach ($cells as $n => $cell) {
            $word = trim((string) preg_replace('/[^\p{L}]+/u', ' ', mb_strtolower($cell)));
            foreach (self::MEANINGS as $name => $words) {
                if (\in_array($word, $words, true)) {
                    $columns[$name] ??= $n;
                }
            }
        }

        return isset($columns['source'], $columns['target']) ? $columns : null;
    }

    /** The refused lines, each with its reason; empty where all are good. */
    public static function refused(Judgement $judgement): string
    {
        $lines = '';
        foreach ($judgement->lines as $judged) {
            if (LineOutcome::Refused === $judged->fate) {
                $line = $judged->line;
                $lines .= self::line([$line->source, $line->target, $line->status, $line->until, $line->note, $judged->words]);
            }
        }

        return '' === $lines ? '' : self::line([...self::HEADINGS, 'refused because']).$lines;
    }

    /** @param list<string> $cells */
    public static function line(array $cells): string
    {
        return implode(',', array_map(static function (string $cell): string {
            // What a spreadsheet would run as a formula is kept from it by a quotation mark, which is taken off again when it is read.
            $safe = 1 === preg_match(self::FORMULA, ltrim($cell, "'")) ? "'$cell" : $cell;

            return 1 === preg_match('/[",\r\n;]|^\s|\s$/D', $safe) ? '"'.str_replace('"', '""', $safe).'"' : $safe;
        }, $cells))."\r\n";
    }

    private static function plain(string $cell): string
    {
        return str_starts_with($cell, "'") && 1 === preg_match(self::FORMULA, ltrim($cell, "'")) ? substr($cell, 1) : $cell;
    }
}
