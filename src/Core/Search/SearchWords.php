<?php

declare(strict_types=1);

namespace Lantern\Core\Search;

/** What a visitor types to look for something. */
final readonly class SearchWords
{
    public const MAX_LENGTH = 100;
    private const MOST = 8;

    /** @param list<string> $words */
    private function __construct(public string $typed, public array $words)
    {
    }

    public static function of(string $typed): self
    {
        $typed = mb_substr(trim(str_replace("\0", '', mb_scrub($typed, 'UTF-8'))), 0, self::MAX_LENGTH);
        // As the database reads what it is looked for in (catalogue.plain): letters as one typed them together or apart, no apostrophes,
        // and what stands between words stands in none.
        $plain = (string) preg_replace("/['’ʼ]/u", '', \Normalizer::normalize(mb_strtolower($typed), \Normalizer::FORM_C) ?: '');
        $words = array_map(
            static fn (string $word): string => trim($word, '.'),
            preg_split('/[^\p{L}\p{N}\p{M}.]+/u', $plain, -1, \PREG_SPLIT_NO_EMPTY) ?: [],
        );

        return new self(
            $typed,
            \array_slice(array_values(array_filter($words, static fn (string $word): bool => '' !== $word)), 0, self::MOST),
        );
    }

    public function isNone(): bool
    {
        return [] === $this->words;
    }

    /** One way of writing for what is looked for in the same words, whatever their size: as it is counted, and leads to a place. */
    public function normal(): string
    {
        return implode(' ', $this->words);
    }
}
