<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

/** Finds values that are written otherwise but mean the same: "50x70", "50 × 70 cm". A person decides whether they do. */
final class Alike
{
    /**
     * @param list<string> $values
     *
     * @return list<list<string>> groups of two or more, in the order of their first
     */
    public static function among(array $values): array
    {
        $bare = [];
        foreach ($values as $value) {
            [$key, $unit] = self::normal($value);
            $bare[$key][$unit][] = $value;
        }
        $groups = [];
        foreach ($bare as $units) {
            // Without a unit it may be any of them, so it goes with one only where there is but one.
            $groups = [
                ...$groups,
                ...2 === \count($units) && isset($units['']) ? [array_merge(...array_values($units))] : array_values($units),
            ];
        }

        return array_values(array_filter($groups, static fn (array $group): bool => \count($group) > 1));
    }

    /** @return array{string, string} a value without what only its writing makes different, and the unit it ends with */
    private static function normal(string $value): array
    {
        $value = mb_strtolower(trim($value));
        $value = (string) preg_replace('/(?<=[\d\s])[x×✕*](?=[\d\s])/u', 'x', $value);
        $value = (string) preg_replace('/(?<=\d),(?=\d)/', '.', $value);
        $value = (string) preg_replace('/[\s\-_.]+(?!\d)|(?<!\d)[\s\-_.]+|\s+/u', '', $value);
        if (1 === preg_match('/^(.*\d)([a-zµ"″%]{1,3})$/Du', $value, $parts) && 1 === preg_match('/^[\dx.\/]+$/D', $parts[1])) {
            return [$parts[1], $parts[2]];
        }

        return [$value, ''];
    }
}
