<?php

declare(strict_types=1);

namespace Lantern\Core\Outline;

use Lantern\Core\Menu\Entry;
use Lantern\Core\Refused;

/**
 * Reads a menu that somebody wrote as an indented list. A line is indented by spaces, tabs or dashes,
 * however many, as long as what stands below something is indented further. After the label it may say
 * where it leads: `Marbled papers /papers/marbled`, `The fair → https://fair.example`, `[Label](address)`.
 */
final class PastedOutline
{
    public const MOST_LINES = 1000;
    private const MOST_LETTERS = 2400;
    private const TAB = 4;
    private const LEAD = '(?:https?:\/\/|mailto:|tel:|\/(?!\/))\S*';

    /**
     * @return list<OutlineLine>
     *
     * @throws Refused where it is too long to be a menu, naming the line
     */
    public static function read(string $text): array
    {
        $rows = preg_split('/\r\n|\r|\n|\x{2028}/u', mb_scrub($text, 'UTF-8')) ?: [];
        $filled = array_filter($rows, static fn (string $row): bool => '' !== trim($row));
        if (\count($filled) > self::MOST_LINES) {
            throw new Refused(
                'content',
                \sprintf(
                    'This has %s lines, and at most %s are read at once. Paste it in parts.',
                    number_format(\count($filled)),
                    number_format(self::MOST_LINES),
                ),
            );
        }
        $lines = [];
        $indents = [];
        foreach ($filled as $n => $row) {
            if (mb_strlen($row) > self::MOST_LETTERS) {
                throw new Refused(
                    'content',
                    \sprintf(
                        'Line %d has %s characters, which is no label. Is this a menu? Shorten that line and paste again.',
                        $n + 1,
                        number_format(mb_strlen($row)),
                    ),
                );
            }
            [$indent, $words] = self::indent($row);
            if ('' === $words) {
                continue;
            }
            while ([] !== $indents && $indents[\count($indents) - 1] >= $indent) {
                array_pop($indents);
            }
            $indents[] = $indent;
            [$label, $lead] = self::parts($words);
            if (mb_strlen($label) > Entry::MAX_LABEL) {
                throw new Refused(
                    'content',
                    \sprintf(
                        'The label in line %d has %d characters; a label has at most %d. Shorten it and paste again.',
                        $n + 1,
                        mb_strlen($label),
                        Entry::MAX_LABEL,
                    ),
                );
            }
            $lines[] = new OutlineLine($n + 1, \count($indents), $label, $lead);
        }

        return $lines;
    }

    /**
     * The same form, to be read again: two spaces for a level, and where it leads after the label.
     *
     * @param list<OutlineLine> $lines
     */
    public static function write(array $lines): string
    {
        return implode('', array_map(static function (OutlineLine $line): string {
            $row = $line->label.('' === $line->lead ? '' : ' → '.$line->lead);
            [$indent, $words] = self::indent($row);

            // A label that would be read as something else, such as one that begins with a dash, stands in brackets.
            return str_repeat('  ', $line->level - 1)
                .(0 === $indent && [$line->label, $line->lead] === self::parts($words) ? $row : "[{$line->label}]({$line->lead})")."\n";
        }, $lines));
    }

    /** @return array{int, string} how far the line is indented, and what is left of it */
    private static function indent(string $row): array
    {
        preg_match('/^([\s\x{00A0}]*)((?:[-–—*•·]+[\s\x{00A0}]+|-+(?=[^\s-])|\d{1,3}[.)]\s+)?)(.*)$/Dus', $row, $found);
        $width = 0;
        foreach (mb_str_split($found[1] ?? '') as $letter) {
            $width += "\t" === $letter ? self::TAB : 1;
        }

        return [$width + mb_strlen(rtrim($found[2] ?? '')), trim(preg_replace('/[\s\x{00A0}]+/u', ' ', $found[3] ?? '') ?? '')];
    }

    /** @return array{string, string} label and lead */
    private static function parts(string $words): array
    {
        if (1 === preg_match('/^\[(.+)\]\((\S*)\)$/Du', $words, $found)) {
            return [trim($found[1]), $found[2]];
        }
        if (1 === preg_match('/^(.*?)(?:\s*(?:→|->|=>|\|)\s*|\s+|^)('.self::LEAD.')$/Du', $words, $found)) {
            return [trim($found[1]), $found[2]];
        }

        return [$words, ''];
    }
}
