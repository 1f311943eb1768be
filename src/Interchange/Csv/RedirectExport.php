<?php

declare(strict_types=1);

namespace Lantern\Interchange\Csv;

use Lantern\Core\Address\Address;
use Lantern\Core\Redirect\ExportedRedirect;

/** Redirects as CSV (RFC 4180), as JSON, or as a `map` for nginx; written one by one, however many there are. */
final class RedirectExport
{
    public const TYPES = ['csv' => 'text/csv; charset=UTF-8', 'json' => 'application/json', 'nginx' => 'text/plain; charset=UTF-8'];

    private const MAP_HEAD = <<<'NGINX'
        # map $uri $moved { default ""; include this file; }
        # and in the server: if ($moved) { return 301 $moved$is_args$args; }
        # Redirects for good that have no end. Those for now, for a while, and what is gone need more than a map.

        NGINX;

    /**
     * @param iterable<ExportedRedirect> $redirects
     *
     * @return \Generator<int, string>
     */
    public static function write(string $format, iterable $redirects): \Generator
    {
        return match ($format) {
            'csv' => self::csv($redirects),
            'json' => self::json($redirects),
            default => self::map($redirects),
        };
    }

    /**
     * @param iterable<ExportedRedirect> $redirects
     *
     * @return \Generator<int, string>
     */
    private static function csv(iterable $redirects): \Generator
    {
        yield RedirectCsv::line(RedirectCsv::HEADINGS);
        foreach ($redirects as $redirect) {
            yield RedirectCsv::line(self::cells($redirect));
        }
    }

    /**
     * @param iterable<ExportedRedirect> $redirects
     *
     * @return \Generator<int, string>
     */
    private static function json(iterable $redirects): \Generator
    {
        $before = "[\n";
        foreach ($redirects as $redirect) {
            yield $before.json_encode(array_combine(RedirectCsv::HEADINGS, self::cells($redirect)), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE);
            $before = ",\n";
        }
        yield "[\n" === $before ? "[]\n" : "\n]\n";
    }

    /**
     * @param iterable<ExportedRedirect> $redirects
     *
     * @return \Generator<int, string>
     */
    private static function map(iterable $redirects): \Generator
    {
        yield self::MAP_HEAD;
        $prefixes = [];
        foreach ($redirects as $redirect) {
            $rule = $redirect->rule;
            if (!$rule->status->isForGood() || null !== $rule->until || '' === $redirect->target) {
                continue;
            }
            $target = str_starts_with($redirect->target, '/') ? Address::fromNormal($redirect->target)->encoded() : $redirect->target;
            if (!$rule->prefix) {
                yield \sprintf("%s %s;\n", self::quoted($rule->source->path), self::quoted($target));
            } elseif (str_ends_with($target, '/*')) {
                $prefixes[$rule->source->path] = \sprintf("%s %s;\n", self::quoted('~^'.preg_quote($rule->source->path).'(?<rest>/.+)$', true), self::quoted(substr($target, 0, -2).'$rest', true));
            } else {
                $prefixes[$rule->source->path] = \sprintf("%s %s;\n", self::quoted('~^'.preg_quote($rule->source->path).'/.+$', true), self::quoted($target));
            }
        }
        // nginx takes the first pattern that fits, so the longest comes first.
        uksort($prefixes, static fn (string $one, string $other): int => [\strlen($other), $one] <=> [\strlen($one), $other]);
        yield from array_values($prefixes);
    }

    /** @return list<string> in the order of RedirectCsv::HEADINGS */
    private static function cells(ExportedRedirect $redirect): array
    {
        $rule = $redirect->rule;

        return [$rule->sourceWords(), $redirect->target, (string) $rule->status->value, $rule->until?->format('Y-m-d\TH:i:sP') ?? '', $redirect->note];
    }

    /** @param bool $pattern whether a backslash and a dollar mean something to nginx here */
    private static function quoted(string $text, bool $pattern = false): string
    {
        return '"'.addcslashes($text, $pattern ? '"' : '\\"$').'"';
    }
}
