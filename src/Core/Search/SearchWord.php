<?php

declare(strict_types=1);

namespace Lantern\Core\Search;

use Lantern\Core\Refused;

/** Words that lead whoever looks for them to a place at once. Kept in settings of the shop. */
final class SearchWord
{
    /** What the setting of one begins with; its value is the id of the place. */
    public const SETTING = 'search_word.';
    public const MOST = 200;

    /** @throws Refused where nothing is left of what was typed */
    public static function setting(string $typed): string
    {
        $words = SearchWords::of($typed);
        if ($words->isNone()) {
            throw new Refused('words', 'Say which words lead to the place.');
        }

        return self::SETTING.$words->normal();
    }

    /**
     * @param array<string, string> $settings of the shop, by name
     *
     * @return array<string, string> ids of places, by the words that lead to them
     */
    public static function all(array $settings): array
    {
        $all = [];
        foreach ($settings as $name => $value) {
            if ('' !== $value && str_starts_with((string) $name, self::SETTING)) {
                $all[substr((string) $name, \strlen(self::SETTING))] = $value;
            }
        }
        ksort($all, \SORT_STRING);

        return $all;
    }
}
