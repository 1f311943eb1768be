<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

/** What people call a browser, of what it says of itself (RFC 9110, 10.1.5). */
final class BrowserName
{
    private const NAMES = ['Edg/' => 'Edge', 'OPR/' => 'Opera', 'Firefox/' => 'Firefox', 'Chrome/' => 'Chrome', 'Safari/' => 'Safari'];
    private const SYSTEMS = [
        'Android' => 'Android',
        'iPhone' => 'an iPhone',
        'iPad' => 'an iPad',
        'Windows' => 'Windows',
        'Mac OS' => 'a Mac',
        'Linux' => 'Linux',
    ];

    public static function of(string $says): string
    {
        $system = self::among(self::SYSTEMS, $says);

        return (self::among(self::NAMES, $says) ?? 'A browser').(null === $system ? '' : " on $system");
    }

    /** @param array<string, string> $all */
    private static function among(array $all, string $says): ?string
    {
        foreach ($all as $mark => $name) {
            if (str_contains($says, $mark)) {
                return $name;
            }
        }

        return null;
    }
}
