<?php

declare(strict_types=1);

namespace Lantern\Interchange;

use Lantern\Persistence\ListedRedirect;

/** Redirects as CSV (RFC 4180), as JSON, or as a `map` for nginx; written one by one, however many there are. */
final class RedirectExport
{
    public const TYPES = ['csv' => 'text/csv; charset=UTF-8', 'json' => 'application/json', 'nginx' => 'text/plain; charset=UTF-8'];

    /**
     * @param iterable<ListedRedirect> $redirects
     *
     * @return \Generator<int, string>
     */
    public static function write(string $format, iterable $redirects): \Generator
    {
        yield match ($format) {
            'csv' => RedirectCsv::line(RedirectCsv::HEADINGS),
            'json' => '[',
            default => "# map \$uri \$lantern_redirect { include this file; }, then: if (\$lantern_redirect) { return 301 \$lantern_redirect\$is_args\$args; }\n# Exact rules that lead on for good; the others need more than a map.\n",
        };
        $n = 0;
        foreach ($redirects as $redirect) {
            $rule = $redirect->rule;
            $cells = [$rule->sourceWords(), $redirect->goalAddress, (string) $rule->status->value, $rule->until?->format('Y-m-d\TH:i:sP') ?? '', $redirect->note];
            $line = match ($format) {
                'csv' => RedirectCsv::line($cells),
                'json' => json_encode(array_combine(RedirectCsv::HEADINGS, $cells), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE),
                default => $rule->prefix || !$rule->status->isForGood() || null !== $rule->until ? '' : \sprintf("%s %s;\n", self::quoted($rule->source->path), self::quoted($redirect->goalAddress)),
            };
            yield 'json' === $format ? (0 === $n++ ? "\n" : ",\n").$line : $line;
        }
        if ('json' === $format) {
            yield "\n]\n";
        }
    }

    private static function quoted(string $text): string
    {
        return '"'.addcslashes($text, '\\"$').'"';
    }
}
