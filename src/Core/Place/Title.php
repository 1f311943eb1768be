<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

use Lantern\Core\Refused;

/** What a title may be. */
final class Title
{
    public const MAX_LENGTH = 200;

    /**
     * A typed title as it is kept: without spaces at its ends or twice in a row.
     *
     * @throws Refused where nothing is left, or too much
     */
    public static function of(string $typed): string
    {
        $title = trim((string) preg_replace('/[\s\p{Cc}]+/u', ' ', mb_scrub($typed, 'UTF-8')));
        if ('' === $title) {
            throw new Refused('title', 'A place needs a title. Type one.');
        }
        if (mb_strlen($title) > self::MAX_LENGTH) {
            throw new Refused(
                'title',
                \sprintf('A title has at most %d characters; this one has %d. Shorten it.', self::MAX_LENGTH, mb_strlen($title)),
            );
        }

        return $title;
    }
}
