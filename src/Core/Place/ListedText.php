<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

/**
 * One line of a search result and the room it takes. Search engines set results in a face with the
 * widths of Helvetica (Adobe Font Metrics of the standard fonts) and cut what goes beyond their column.
 */
final readonly class ListedText
{
    private const TITLE = ['size' => 20, 'room' => 580];
    private const DESCRIPTION = ['size' => 14, 'room' => 920];

    /** Advance widths of U+0020 to U+007E, in thousandths of the size of the type. */
    private const WIDTHS = [
        278, 278, 355, 556, 556, 889, 667, 191, 333, 333, 389, 584, 278, 333, 278, 278,
        556, 556, 556, 556, 556, 556, 556, 556, 556, 556, 278, 278, 584, 584, 584, 556,
        1015, 667, 667, 722, 722, 667, 611, 778, 722, 278, 500, 667, 556, 833, 722, 778,
        667, 778, 722, 667, 611, 722, 667, 944, 667, 667, 611, 278, 278, 278, 469, 556,
        333, 556, 556, 500, 556, 556, 278, 556, 556, 222, 222, 500, 222, 833, 556, 556,
        556, 556, 333, 500, 278, 556, 500, 722, 500, 500, 500, 334, 260, 334, 584,
    ];
    private const WIDE = 1000;
    private const OTHER = 556;

    /** @param float $pixels how wide it is set on one line */
    private function __construct(public string $text, public float $pixels, public int $room)
    {
    }

    public static function title(string $text): self
    {
        return new self($text, self::width($text) * self::TITLE['size'] / 1000, self::TITLE['room']);
    }

    public static function description(string $text): self
    {
        return new self($text, self::width($text) * self::DESCRIPTION['size'] / 1000, self::DESCRIPTION['room']);
    }

    public function characters(): int
    {
        return mb_strlen($this->text);
    }

    public function fits(): bool
    {
        return $this->pixels <= $this->room;
    }

    /** What a reader gets: the whole, or as many whole words as there is room for. */
    public function shown(): string
    {
        if ($this->fits()) {
            return $this->text;
        }
        $scale = $this->pixels / self::width($this->text);
        $shown = '';
        foreach (explode(' ', $this->text) as $word) {
            $next = '' === $shown ? $word : "$shown $word";
            if (self::width("$next …") * $scale > $this->room) {
                break;
            }
            $shown = $next;
        }

        return "$shown …";
    }

    /** In thousandths of the size of the type. */
    private static function width(string $text): int
    {
        $width = 0;
        // A letter with a mark is as wide as the letter.
        $letters = \Normalizer::normalize($text, \Normalizer::FORM_D);
        foreach (mb_str_split(false === $letters ? $text : $letters) as $letter) {
            $code = mb_ord($letter);
            $width += match (true) {
                $code >= 0x20 && $code <= 0x7E => self::WIDTHS[$code - 0x20],
                1 === preg_match('/\p{M}/u', $letter) => 0,
                1 === preg_match('/[\p{Han}\p{Hiragana}\p{Katakana}\p{Hangul}…—™]/u', $letter) => self::WIDE,
                default => self::OTHER,
            };
        }

        return $width;
    }
}
