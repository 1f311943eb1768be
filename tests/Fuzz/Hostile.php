<?php

declare(strict_types=1);

namespace Lantern\Tests\Fuzz;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Makes inputs by a JSON Schema, and spoils some of them. The same seed makes the same inputs.
 *
 * @phpstan-type Schema array<string, mixed>
 */
final class Hostile
{
    public readonly Randomizer $random;

    /**
     * @param array<string, Schema>       $schemas of the description's components, by name
     * @param array<string, list<string>> $known   ids that are there, by what they are of
     */
    public function __construct(int $seed, private readonly array $schemas, private readonly array $known)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /**
     * @template T
     *
     * @param list<T> $list
     *
     * @return T
     */
    public function one(array $list): mixed
    {
        return [] === $list
            ? throw new \LogicException('There is nothing to choose from.') : $list[$this->random->getInt(0, \count($list) - 1)];
    }

    public function chance(int $percent): bool
    {
        return $this->random->getInt(1, 100) <= $percent;
    }

    public function id(string $of = ''): string
    {
        $ids = $this->known[$of] ?? array_merge(...array_values($this->known));

        return [] === $ids || $this->chance(5)
            ? \sprintf('019344a0-0000-7000-8000-%012x', $this->random->getInt(0, 0xFFFFFFFF))
            : $this->one($ids);
    }

    /** A value that a schema lets through, or nearly so. */
    public function value(mixed $schema, int $depth = 0, string $name = ''): mixed
    {
        if (!\is_array($schema) || $depth > 7) {
            return null;
        }
        if (\is_string($schema['$ref'] ?? null)) {
            return $this->value($this->schemas[basename($schema['$ref'])] ?? [], $depth, $name);
        }
        if (\is_array($schema['oneOf'] ?? null)) {
            return $this->value($this->one(array_values($schema['oneOf'])), $depth, $name);
        }
        if (\is_array($schema['enum'] ?? null) && [] !== $schema['enum']) {
            return $this->one(array_values($schema['enum']));
        }
        $types = array_filter((array) ($schema['type'] ?? 'string'), \is_string(...)) ?: ['string'];
        $type = $this->one(array_values($types));

        return match ($type) {
            'null' => null,
            'boolean' => $this->chance(50),
            'integer' => $this->random->getInt(0, 3),
            'number' => $this->random->getInt(0, 1000) / 10,
            'array' => array_map(
                fn (): mixed => $this->value($schema['items'] ?? [], $depth + 1, $name),
                range(1, $this->random->getInt(1, 3)),
            ),
            'object' => $this->object($schema, $depth),
            default => $this->text($schema, $name),
        };
    }

    /** The same value with something in it that nobody would send who means well. */
    public function spoiled(mixed $value): mixed
    {
        if (\is_array($value) && [] !== $value && $this->chance(80)) {
            $key = $this->one(array_keys($value));
            if ($this->chance(8)) {
                unset($value[$key]);
            } else {
                $value[$key] = $this->spoiled($value[$key]);
            }

            return $value;
        }

        return $this->bad();
    }

    public function bad(): mixed
    {
        return match ($this->random->getInt(0, 7)) {
            0, 1, 2, 3 => $this->badText(),
            4 => $this->one([null, true, false, 0, -1, 2_147_483_647, 2_147_483_648, \PHP_INT_MAX, 1.5, -0.0, 1e308]),
            5 => $this->one([[], [[]], ['a' => ['b' => ['c' => []]]], [null], array_fill(0, 300, 'x'), [1, '2', null, ['x' => 'y']]]),
            6 => array_fill(0, $this->random->getInt(1, 2000), $this->one([0, '', [], null])),
            default => array_reduce(range(1, $this->random->getInt(5, 70)), static fn (mixed $inner): array => [$inner], 'deep'),
        };
    }

    public function badText(): string
    {
        return $this->one([
            '', ' ', "\0", "a\0b", "\n", "a\nb", "\u{202E}evil", "\u{FEFF}", 'é', "e\u{301}", '7', '007', '1.50', '1e3', '-1',
            '99999999999', '%ff', '%00', '%zz', '../../../etc/passwd', '/..;/x', '//evil.example',
            'https://evil.example*', 'https://bücher.example/ä', 'javascript:alert(1)', '<script>alert(1)</script>',
            "'; DROP TABLE place; --", '{{7*7}}', '${x}', '=1+1', '@SUM(1)', '9999-12-31T23:59:59-12:00', '0000-00-00', '2026-02-30',
            'tomorrow', '@253402300800',
            'infinity', '-infinity', 'NaN', 'null', 'true', '/papers', '/', '/*', '/a/*', '/-/x', '/sitemap.xml', 'mailto:a@b.example',
            'tel:+1', 'place:x', '#', '?', "\u{1F4A9}", '日本語', 'Straße', 'ﬁ',
            str_repeat('a', 201), str_repeat('ä', 600), str_repeat('x ', 2500), str_repeat('/a', 1100), str_repeat('<b>', 200),
            str_repeat('h', 40_000), '019344A0-0000-7000-8000-000000000001', "019344a0-0000-7000-8000-000000000001\n",
        ]);
    }

    /** @param Schema $schema */
    private function text(array $schema, string $name): string
    {
        if (
            'uuid' === ($schema['format'] ?? null)
            || \in_array($name, ['id', 'entryId', 'entryIds', 'placeId', 'parentId', 'leftOut', 'findings'], true)
        ) {
            return $this->id(match ($name) {
                'menuId' => 'menu', 'entryId', 'entryIds' => 'entry', 'findings' => 'finding', default => 'place',
            });
        }
        if ('date-time' === ($schema['format'] ?? null)) {
            return $this->one(['2027-03-01T00:00:00Z', '2027-03-01', '2020-01-01T10:00', '2030-06-01T12:00:00+02:00', '']);
        }

        return match ($name) {
            'to', 'seen', 'source', 'target', 'addresses' => $this->one([
                '/papers',
                '/papers/marbled',
                '/old-'.$this->random->getInt(1, 99),
                '/old/*',
                '/new/*',
                '/tools',
                'https://example.org/x',
                '',
            ]),
            'html' => $this->one(['<p>Words</p>', '<h2>A</h2><p><a href="/papers">x</a></p>', '<p onclick=x>y<script>z</script></p>']),
            'bay', 'other', 'footer' => $this->one(['header', 'footer-1', 'footer-2', 'footer-3', 'drawer']),
            'uri' => $this->one(['https://example.org/', 'mailto:a@example.org', 'tel:+441632960018']),
            'content' => $this->one([
                "Papers\n  Marbled\nTools",
                '<opml version="2.0"><body><outline text="a"/></body></opml>',
                '{"entries":[{"label":"a"}]}',
            ]),
            'until' => $this->one(['2027-03-31', '', '2027-03-31T10:00:00Z']),
            'time_zone' => $this->one(['UTC', 'Europe/London', 'Asia/Kathmandu']),
            'mail' => 'hello@example.org',
            'days_to_return' => '30',
            default => $this->one(['Words', 'Paper care', 'Größe 7', '7', '1.5', $this->random->getBytes(1) < 'x' ? 'gift' : 'Sale']),
        };
    }

    /**
     * @param Schema $schema
     *
     * @return array<string, mixed>
     */
    private function object(array $schema, int $depth): array
    {
        $object = [];
        $required = (array) ($schema['required'] ?? []);
        foreach (\is_array($schema['properties'] ?? null) ? $schema['properties'] : [] as $name => $property) {
            if (\in_array($name, $required, true) || $this->chance(40)) {
                $object[(string) $name] = $this->value($property, $depth + 1, (string) $name);
            }
        }

        return $object;
    }
}
