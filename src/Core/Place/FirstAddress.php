<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\ReservedAddresses;
use Lantern\Core\Address\Slug;

/** The address that a new place gets, made from its title. */
final class FirstAddress
{
    /**
     * @param Place|null              $parent  what it stands below
     * @param callable(Address): bool $isTaken by a place or a redirect
     */
    public static function of(PlaceKind $kind, string $title, ?Place $parent, callable $isTaken): Address
    {
        $above = null === $parent ? Address::fromNormal($kind->firstPart()) : $parent->address;
        [$name, $extension] = PlaceKind::File === $kind ? self::split($title) : [$title, ''];
        $slug = Slug::fromTitle($name, $kind->value)->unlessTaken(static function (string $slug) use ($above, $extension, $isTaken): bool {
            $address = $above->below($slug.$extension);

            return null !== ReservedAddresses::reason($address) || $isTaken($address);
        });

        return $above->below($slug.$extension);
    }

    /** @return array{string, string} the name of a file and its extension, with its dot */
    private static function split(string $name): array
    {
        $dot = strrpos($name, '.');

        return false === $dot || 0 === $dot ? [$name, ''] : [substr($name, 0, $dot), strtolower(substr($name, $dot))];
    }
}
