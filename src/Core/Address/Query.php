<?php

declare(strict_types=1);

namespace Lantern\Core\Address;

/** The query of a request (RFC 3986, 3.4). It is no part of an address and survives every redirect. */
final class Query
{
    /** In bytes; what comes after them is not read as fields. */
    private const LONGEST = 16_384;
    private const MOST_FIELDS = 500;

    /**
     * The visitor's parameters joined to the target's own, which win where both have one.
     *
     * @param string $target  query of the redirect's target, without the question mark
     * @param string $visitor query of the request, without the question mark
     */
    public static function merge(string $target, string $visitor): string
    {
        $own = self::pairs($target);
        $names = array_map(self::name(...), $own);
        $kept = array_filter(self::pairs($visitor), static fn (string $pair): bool => !\in_array(self::name($pair), $names, true));

        return implode('&', [...$own, ...$kept]);
    }

    /** A URL, or a path, with the visitor's parameters joined to its own, before its fragment. */
    public static function added(string $url, string $visitor): string
    {
        $split = SplitTarget::of($url);

        return (string) $split->withQuery(self::merge($split->query, $visitor));
    }

    /**
     * The fields of a query as a form writes them (WHATWG URL, 5.1), a name as often as it is there. What is no text is left out.
     *
     * @return list<array{string, string}> names with values
     */
    public static function fields(string $query): array
    {
        $fields = [];
        foreach (\array_slice(self::pairs(substr($query, 0, self::LONGEST)), 0, self::MOST_FIELDS) as $pair) {
            [$name, $value] = array_map(urldecode(...), explode('=', $pair, 2) + ['', '']);
            if (mb_check_encoding($name.$value, 'UTF-8') && !str_contains($name.$value, "\0")) {
                $fields[] = [$name, $value];
            }
        }

        return $fields;
    }

    /** @return list<string> */
    private static function pairs(string $query): array
    {
        return array_values(array_filter(explode('&', $query), static fn (string $pair): bool => '' !== $pair));
    }

    private static function name(string $pair): string
    {
        return urldecode(explode('=', $pair, 2)[0]);
    }
}
