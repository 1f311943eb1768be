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
        # For nginx. Within http:
        #     map_hash_bucket_size 8192;
        #     map_hash_max_size 262144;
        #     map $request_uri $asked { "~^(?<asked_path>[^?]*)" $asked_path; }
        #     map $asked $moved { default ""; include this-file; }
        #     map "$moved $args" $and { default ""; "~^\S*\?\S* ." "&"; "~^\S* ." "?"; }
        # and in the server:
        #     if ($moved) { return 301 $moved$and$args; }
        # An address is compared as it was asked for, with its percent-codes; in another spelling it is for the shop to answer.
        # Redirects for good that have no end, each straight to where it ends. Those for now, for a while, and what is gone need more than a map.

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
            yield $before
                .json_encode(
                    array_combine(RedirectCsv::HEADINGS, self::cells($redirect)),
                    \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE,
                );
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
            $target = str_starts_with($redirect->target, '/') ? self::encoded($redirect->target) : $redirect->target;
            // In what it leads to, nginx takes a dollar for a name; as a percent-code it is the same (RFC 3986, 2.1).
            $target = str_replace('$', '%24', $target);
            if (!$rule->prefix) {
                yield \sprintf("%s %s;\n", self::quoted(self::literal($rule->source->encoded())), self::quoted($target));
            } elseif (str_ends_with($target, '/*')) {
                $prefixes[$rule->source->path] = \sprintf(
                    "%s %s;\n",
                    self::pattern($rule->source->encoded(), '(?<rest>/.+)$'),
                    self::quoted(substr($target, 0, -2).'$rest'),
                );
            } else {
                $prefixes[$rule->source->path] = \sprintf(
                    "%s %s;\n",
                    self::pattern($rule->source->encoded(), '/.+$'),
                    self::quoted($target),
                );
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

        return [
            $rule->sourceWords(),
            $redirect->target,
            (string) $rule->status->value,
            $rule->until?->format('Y-m-d\TH:i:sP') ?? '',
            $redirect->note,
        ];
    }

    /** A path with what may follow it: only the path is written as in an address. */
    private static function encoded(string $target): string
    {
        [$path, $rest] = preg_split('/(?=[?#])/', $target, 2) + ['', ''];
        $all = str_ends_with($path, '/*');

        return Address::parse($all ? substr($path, 0, -2) ?: '/' : $path)->encoded().($all ? '/*' : '').$rest;
    }

    /** A value that begins so would be taken for a pattern or a word of nginx's own. */
    private static function literal(string $text): string
    {
        return str_starts_with($text, '~')
            || str_starts_with($text, '\\')
            || \in_array($text, ['default', 'hostnames', 'include', 'volatile'], true)
            ? '\\'.$text
            : $text;
    }

    private static function pattern(string $path, string $end): string
    {
        return self::quoted('~^'.preg_quote($path).$end);
    }

    private static function quoted(string $text): string
    {
        return '"'.str_replace('"', '\\"', $text).'"';
    }
}
