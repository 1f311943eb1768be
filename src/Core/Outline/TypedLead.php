<?php

declare(strict_types=1);

namespace Lantern\Core\Outline;

use Lantern\Core\Menu\ContactTarget;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\Target;
use Lantern\Core\Refused;

/** What words that somebody typed can mean besides a place: an address outside, mail, a phone number, a heading. */
final readonly class TypedLead
{
    /**
     * @param string $label that an entry to it begins with
     * @param string $words what it is, for the person who chooses
     */
    private function __construct(public Target $target, public string $label, public string $words)
    {
    }

    /** @return list<self> likeliest first; none where nothing was typed, or what was typed leads astray */
    public static function all(string $typed): array
    {
        $typed = trim((string) preg_replace('/\s+/u', ' ', mb_scrub($typed, 'UTF-8')));
        if ('' === $typed) {
            return [];
        }
        if (1 === preg_match('/^https?:\/\/\S+$/iD', $typed)) {
            return self::one(
                static fn (): Target => new OutsideTarget($typed),
                (string) preg_replace('/^https?:\/\/(www\.)?|\/$/iD', '', $typed),
                'an outside address',
            );
        }
        $mail = (string) preg_replace('/^mailto:/i', '', $typed);
        if (1 === preg_match('/^[^\s@\/]+@[^\s@\/]+\.[^\s@\/]+$/D', $mail)) {
            return self::one(
                static fn (): Target => ContactTarget::fromUri("mailto:$mail"),
                (string) preg_replace('/\?.*$/D', '', $mail),
                'a mail address',
            );
        }
        $number = (string) preg_replace('/^tel:/i', '', $typed);
        $phone = 1 === preg_match('/^\+?[\d\s()\/-]{6,}$/D', $number)
            ? self::one(static fn (): Target => ContactTarget::phone($number), $number, 'a phone number')
            : [];
        // A path of this shop is a place, or a slip; whatever has a scheme is none of ours.
        $isAddress = 1 === preg_match('/^(\/|[a-z][a-z0-9+.-]*:\S)/iD', $typed);

        return [
            ...$phone,
            ...($isAddress || mb_strlen($typed) > Entry::MAX_LABEL ? [] : [new self(
                new Heading(),
                $typed,
                'a heading that leads nowhere',
            )]),
        ];
    }

    /**
     * @param \Closure(): Target $target
     *
     * @return list<self>
     */
    private static function one(\Closure $target, string $label, string $words): array
    {
        try {
            return [new self($target(), mb_substr($label, 0, Entry::MAX_LABEL), $words)];
        } catch (Refused) {
            return [];
        }
    }
}
