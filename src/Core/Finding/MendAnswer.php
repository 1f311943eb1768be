<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Refused;

/** What somebody said to what a mend asks: a place, words, or nothing. */
final readonly class MendAnswer
{
    private const MOST_WORDS = 500;

    private function __construct(private ?string $placeId, private ?string $words)
    {
    }

    public static function nothing(): self
    {
        return new self(null, null);
    }

    /** @throws Refused where what was typed is no answer to what is asked */
    public static function typed(MendAsks $asks, string $typed): self
    {
        return match ($asks) {
            MendAsks::Place => self::place($typed),
            MendAsks::Words => self::words($typed),
            MendAsks::Nothing, MendAsks::Spot => self::nothing(),
        };
    }

    /** @throws Refused where it is no id (RFC 9562, 4) */
    public static function place(string $placeId): self
    {
        if (1 !== preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/Di', $placeId)) {
            throw new Refused('to', 'Choose the place that it should lead to.');
        }

        return new self($placeId, null);
    }

    /** @throws Refused where they are none, or too many */
    public static function words(string $typed): self
    {
        $words = trim($typed);
        if ('' === $words || mb_strlen($words) > self::MOST_WORDS) {
            throw new Refused('words', \sprintf('Write from 1 to %d characters.', self::MOST_WORDS));
        }

        return new self(null, $words);
    }

    /** @throws Refused where no place was said */
    public function placeId(): string
    {
        return $this->placeId ?? throw new Refused('to', 'Choose the place that it should lead to.');
    }

    /** @throws Refused where no words were said */
    public function text(): string
    {
        return $this->words ?? throw new Refused('words', \sprintf('Write from 1 to %d characters.', self::MOST_WORDS));
    }
}
