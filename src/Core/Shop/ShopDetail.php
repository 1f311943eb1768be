<?php

declare(strict_types=1);

namespace Lantern\Core\Shop;

use Lantern\Core\Refused;

/** What the shop says of itself: in its frame, and in the blanks of its policies. */
enum ShopDetail: string
{
    case Name = 'name';
    case Tagline = 'tagline';
    case Company = 'company';
    case Mail = 'mail';
    case Phone = 'phone';
    case Street = 'street';
    case Country = 'country';
    case DaysToReturn = 'days_to_return';
    case TimeZone = 'time_zone';
    case Notice = 'notice';
    case DaysToKeep = 'days_to_keep';

    public const MAX_LENGTH = 200;

    /** Counts of visits are kept for so many days where nobody says for how many. */
    public const KEPT_OTHERWISE = 400;

    public function words(): string
    {
        return match ($this) {
            self::Name => 'Name of the shop',
            self::Tagline => 'What it is, in a line',
            self::Company => 'Company',
            self::Mail => 'Mail address',
            self::Phone => 'Telephone',
            self::Street => 'Street and town',
            self::Country => 'Country',
            self::DaysToReturn => 'Days to return',
            self::TimeZone => 'Time zone',
            self::Notice => 'Notice above the header',
            self::DaysToKeep => 'Days to keep visits',
        };
    }

    /** A name of the IANA time zone database, or UTC. */
    public static function isTimeZone(string $name): bool
    {
        /** @var array<string, int>|null $known there are some four hundred, and every date that is told asks */
        static $known = null;
        $known ??= array_flip(\DateTimeZone::listIdentifiers());

        return isset($known[$name]);
    }

    /**
     * What was typed, as it is kept. Everything but the name may be empty; blanks that need it are then counted.
     *
     * @throws Refused naming the detail
     */
    public function checked(string $typed): string
    {
        $value = trim((string) preg_replace('/\s+/u', ' ', $typed));
        if ('' === $value) {
            return self::Name === $this ? throw new Refused($this->value, 'A shop has a name. Type it.') : '';
        }
        if (mb_strlen($value) > self::MAX_LENGTH) {
            throw new Refused(
                $this->value,
                \sprintf('%s: at most %d characters; this has %d.', $this->words(), self::MAX_LENGTH, mb_strlen($value)),
            );
        }
        if (self::Mail === $this && false === filter_var($value, \FILTER_VALIDATE_EMAIL, \FILTER_FLAG_EMAIL_UNICODE)) {
            throw new Refused($this->value, \sprintf('“%s” is no mail address. Write it like hello@your-shop.example.', $value));
        }
        if (self::Phone === $this && 1 !== preg_match('~^\+?[0-9][0-9 ()/.-]{2,39}$~D', $value)) {
            throw new Refused($this->value, \sprintf('“%s” is no telephone number. Write it like +44 1632 960 018.', $value));
        }
        if (self::TimeZone === $this && !self::isTimeZone($value)) {
            throw new Refused($this->value, \sprintf('“%s” is no time zone. Write it like Europe/London or UTC.', $value));
        }
        if (self::DaysToKeep === $this && (!ctype_digit($value) || (int) $value < 31 || (int) $value > 3660)) {
            throw new Refused($this->value, 'Write the days as a number from 31 to 3660. Tables tell of the last thirty.');
        }
        if (self::DaysToReturn === $this && (!ctype_digit($value) || (int) $value < 1 || (int) $value > 999)) {
            throw new Refused($this->value, 'Write the days as a number, such as 30.');
        }

        return $value;
    }
}
