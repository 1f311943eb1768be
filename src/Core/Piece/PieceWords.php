<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** What a piece without a label is called where pieces are listed. */
final class PieceWords
{
    private const MOST = 60;

    public static function of(Piece $piece): string
    {
        return match (true) {
            $piece instanceof Text => self::beginning($piece->html),
            $piece instanceof Picture => '' === $piece->shows ? 'Picture' : $piece->shows,
            $piece instanceof SignUp => '' === $piece->list ? 'Sign-up, for no list yet' : "Sign-up for “{$piece->list}”",
            $piece instanceof Products => ucfirst(\sprintf(
                '%d products %s',
                $piece->most,
                ProductSource::Tag === $piece->source ? "tagged “{$piece->tag}”" : $piece->source->words(),
            )),
            default => ucfirst($piece->kind()->words()),
        };
    }

    private static function beginning(string $html): string
    {
        $words = trim((string) preg_replace(
            '/\s+/u',
            ' ',
            html_entity_decode(strip_tags(str_replace('<', ' <', $html)), \ENT_QUOTES | \ENT_HTML5),
        ));

        return '' === $words ? 'Words' : mb_strimwidth($words, 0, self::MOST, '…');
    }
}
