<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** Which of the shop's details a piece of contact shows, in the order in which it does. */
enum ContactDetail: string
{
    case Name = 'name';
    case Tagline = 'tagline';
    case Company = 'company';
    case Street = 'street';
    case Country = 'country';
    case Phone = 'phone';
    case Mail = 'mail';

    /**
     * Where it leads, as RFC 6068 (mail) and RFC 3966, section 5.1.1 (phone) write it; null: nowhere.
     *
     * @param string $value as it was typed
     */
    public function href(string $value): ?string
    {
        return match ($this) {
            self::Mail => 'mailto:'.str_replace('%40', '@', rawurlencode($value)),
            self::Phone => 'tel:'.preg_replace('/[^0-9+]/', '', $value),
            default => null,
        };
    }
}
