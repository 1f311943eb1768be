<?php

declare(strict_types=1);

namespace Lantern\Core\Outline;

/** How much the words of a line are like the title of a place. */
final readonly class Likeness
{
    private const SAYS_LITTLE = ['the', 'a', 'an', 'and', 'our', 'of', 'for', 'to', 'in', 'all'];
    private const UNSURE_FROM = 0.4;

    /** @param float $score from 0, nothing in common, to 1, the same */
    private function __construct(public float $score, public ?Sureness $sureness)
    {
    }

    public static function between(string $label, string $title): self
    {
        [$one, $other] = [self::words($label), self::words($title)];
        if ([] === $one || [] === $other) {
            return new self(0, null);
        }
        if ($one === $other) {
            return new self(1, Sureness::Certain);
        }
        $letters = self::shared(self::trigrams($one), self::trigrams($other));
        [$oneMeans, $otherMeans] = [self::meaning($one), self::meaning($other)];
        if ($oneMeans === $otherMeans) {
            return new self(0.95, Sureness::Likely);
        }
        if ([] === array_diff($oneMeans, $otherMeans)) {
            return new self(0.6 + 0.3 * $letters, $letters >= 0.45 ? Sureness::Likely : Sureness::Unsure);
        }
        if ([] === array_diff($otherMeans, $oneMeans)) {
            // The line says more than the title: the place may be too wide for what is meant.
            return new self(0.3 + 0.3 * $letters, $letters >= self::UNSURE_FROM ? Sureness::Unsure : null);
        }

        return new self($letters, $letters >= self::UNSURE_FROM ? Sureness::Unsure : null);
    }

    /** @return list<string> in lower case, without accents and punctuation */
    private static function words(string $text): array
    {
        $plain = transliterator_transliterate('Any-Latin; Latin-ASCII; Lower()', $text);

        return preg_split('/[^a-z0-9]+/', \is_string($plain) ? $plain : '', -1, \PREG_SPLIT_NO_EMPTY) ?: [];
    }

    /**
     * @param list<string> $words
     *
     * @return list<string> sorted, without what says little, and without a plural's ending
     */
    private static function meaning(array $words): array
    {
        $saying = array_values(array_diff($words, self::SAYS_LITTLE)) ?: $words;
        $stems = array_unique(array_map(
            static fn (string $word): string => \strlen($word) > 3 && str_ends_with($word, 's') && !str_ends_with($word, 'ss')
                ? substr($word, 0, -1)
                : $word,
            $saying,
        ));
        sort($stems);

        return $stems;
    }

    /**
     * @param list<string> $words
     *
     * @return array<string, true>
     */
    private static function trigrams(array $words): array
    {
        $all = [];
        foreach ($words as $word) {
            $padded = "  $word ";
            for ($n = 0; $n < \strlen($padded) - 2; ++$n) {
                $all[substr($padded, $n, 3)] = true;
            }
        }

        return $all;
    }

    /**
     * @param array<string, true> $one
     * @param array<string, true> $other
     */
    private static function shared(array $one, array $other): float
    {
        $common = \count(array_intersect_key($one, $other));

        return $common / max(1, \count($one) + \count($other) - $common);
    }
}
