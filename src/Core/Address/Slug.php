<?php

declare(strict_types=1);

namespace Lantern\Core\Address;

/** The last part of an address, made from a title: ASCII letters and digits, words joined by single hyphens. */
final readonly class Slug implements \Stringable
{
    public const MAX_LENGTH = 80;

    private function __construct(public string $text)
    {
    }

    /** @param string $otherwise what to use when the title holds nothing that can be written in ASCII: the kind's name */
    public static function fromTitle(string $title, string $otherwise = 'page'): self
    {
        $words = preg_replace('/[^a-z0-9]+/', '-', self::ascii(mb_scrub($title, 'UTF-8'))) ?? '';
        $slug = self::cut(trim($words, '-'), self::MAX_LENGTH);

        return new self('' === $slug ? $otherwise : $slug);
    }

    /**
     * The slug itself, or the first of `-2`, `-3`… that is not taken.
     *
     * @param callable(string): bool $isTaken
     */
    public function unlessTaken(callable $isTaken): self
    {
        for ($n = 1; $isTaken($this->nth($n)->text); ++$n) {
        }

        return $this->nth($n);
    }

    /** The slug itself as the first, `-2` as the second, and so on. */
    public function nth(int $n): self
    {
        return $n < 2 ? $this : new self(self::cut($this->text, self::MAX_LENGTH - \strlen("-$n"))."-$n");
    }

    public function __toString(): string
    {
        return $this->text;
    }

    private static function ascii(string $title): string
    {
        // Primes stand for the Cyrillic soft and hard sign after romanisation; they are no break between words.
        $rules = ':: Any-Latin; :: [ʹʺ] Remove; :: Latin-ASCII; :: Lower;';
        // Compiling the rules takes longer than most titles.
        static $compiled = null;
        $compiled ??= \Transliterator::createFromRules($rules) ?? throw new \LogicException(intl_get_error_message());
        $ascii = $compiled instanceof \Transliterator ? $compiled->transliterate($title) : false;

        return false === $ascii ? '' : $ascii;
    }

    private static function cut(string $slug, int $length): string
    {
        if (\strlen($slug) <= $length) {
            return $slug;
        }
        $head = substr($slug, 0, $length + 1);
        $lastWordEnds = strrpos($head, '-');

        return false === $lastWordEnds ? substr($slug, 0, $length) : substr($head, 0, $lastWordEnds);
    }
}
