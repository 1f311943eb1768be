<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Refused;

/** A mail address (RFC 6068) or a phone number (RFC 3966). */
final readonly class ContactTarget implements Target
{
    private function __construct(public string $uri)
    {
    }

    public static function mail(string $address, string $subject = ''): self
    {
        if (false === filter_var($address, \FILTER_VALIDATE_EMAIL)) {
            throw new Refused('target', 'This is not a mail address. Write it like hello@example.org.');
        }

        return new self(
            'mailto:'.str_replace('%40', '@', rawurlencode($address)).('' === $subject ? '' : '?subject='.rawurlencode($subject)),
        );
    }

    public static function phone(string $number): self
    {
        $digits = preg_replace('/[\s().\/-]/', '', $number) ?? '';
        if (1 !== preg_match('/^\+?[0-9]{3,15}$/D', $digits)) {
            throw new Refused('target', 'This is not a phone number. Write it with the country code, like +44 1632 960 018.');
        }

        return new self('tel:'.$digits);
    }

    /** From the stored form. */
    public static function fromUri(string $uri): self
    {
        if (str_starts_with($uri, 'tel:')) {
            return self::phone(substr($uri, 4));
        }
        if (!str_starts_with($uri, 'mailto:')) {
            throw new Refused('target', 'A contact is a mail address or a phone number.');
        }
        [$address, $query] = explode('?', substr($uri, 7), 2) + ['', ''];
        parse_str($query, $fields);

        return self::mail(rawurldecode($address), \is_string($fields['subject'] ?? null) ? $fields['subject'] : '');
    }

    public function equals(Target $other): bool
    {
        return $other instanceof self && $this->uri === $other->uri;
    }
}
