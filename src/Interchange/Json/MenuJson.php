<?php

declare(strict_types=1);

namespace Lantern\Interchange\Json;

use Lantern\Core\Outline\OutlineLine;
use Lantern\Core\Outline\PastedOutline;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Opening;
use Lantern\Core\Refused;
use Lantern\Interchange\Stored\Fields;

/** Menus as JSON, by the schema beside this file. Nothing of an entry is lost on the way out and back in. */
final class MenuJson
{
    public const SCHEMA = __DIR__.'/menu.schema.json';
    private const ID = 'urn:gentle-lantern:menu:1';

    /**
     * @return list<OutlineLine>
     *
     * @throws Refused naming the field that is not as the schema has it
     */
    public static function read(string $json): array
    {
        try {
            $fields = Fields::of(json_decode($json, true, 64, \JSON_THROW_ON_ERROR), 'menu');
        } catch (\JsonException $error) {
            throw new Refused('content', "This is not JSON: {$error->getMessage()}. Export it again.");
        }
        $lines = [];
        self::collect($fields->objects('entries'), 1, $lines);
        if ([] === $lines) {
            throw new Refused('content', 'There are no entries in this file.');
        }

        return $lines;
    }

    /**
     * @param list<Fields>      $entries
     * @param list<OutlineLine> $lines
     */
    private static function collect(array $entries, int $level, array &$lines): void
    {
        foreach ($entries as $entry) {
            if (\count($lines) >= PastedOutline::MOST_LINES) {
                throw new Refused(
                    'content',
                    \sprintf('This file has more than %s entries. Bring it in parts.', number_format(PastedOutline::MOST_LINES)),
                );
            }
            $lines[] = new OutlineLine(
                \count($lines) + 1,
                $level,
                $entry->text('label', ''),
                $entry->text('leads', ''),
                !$entry->bool('off', false),
                $entry->choice('audience', Audience::class, Audience::Everyone),
                new Opening($entry->moment('from'), $entry->moment('until')),
                $entry->bool('newTab', false),
                $entry->text('note', ''),
                $entry->has('fills') ? $entry->mapOr('fills', []) : null,
                $entry->has('piece') ? $entry->object('piece')->values() : null,
                self::panel($entry->objectOrNull('panel')),
            );
            self::collect($entry->objects('entries'), $level + 1, $lines);
        }
    }

    /** @return list<OutlineLine> */
    private static function panel(?Fields $panel): array
    {
        $lines = [];
        self::collect(null === $panel ? [] : [$panel], 1, $lines);

        return $lines;
    }

    /** @param list<OutlineLine> $lines */
    public static function write(string $name, array $lines): string
    {
        $at = 0;

        return json_encode(
            ['$schema' => self::ID, 'name' => $name, 'entries' => self::entries($lines, $at, 1)],
            \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE,
        )
            ."\n";
    }

    /**
     * @param list<OutlineLine> $lines
     *
     * @return list<array<string, mixed>>
     */
    private static function entries(array $lines, int &$at, int $level): array
    {
        $entries = [];
        while (isset($lines[$at]) && $lines[$at]->level >= $level) {
            $line = $lines[$at++];
            $entries[] = array_filter([
                'label' => '' === $line->label ? null : $line->label,
                'leads' => '' === $line->lead ? null : $line->lead,
                'off' => $line->enabled ? null : true,
                'audience' => Audience::Everyone === $line->audience ? null : $line->audience->value,
                'from' => $line->opening->from?->format(\DATE_ATOM),
                'until' => $line->opening->until?->format(\DATE_ATOM),
                'newTab' => $line->newTab ? true : null,
                'note' => '' === $line->note ? null : $line->note,
                'fills' => $line->filling,
                'piece' => $line->piece,
                'panel' => self::panelOf($line),
                'entries' => self::entries($lines, $at, $level + 1) ?: null,
            ], static fn (mixed $value): bool => null !== $value);
        }

        return $entries;
    }

    /** @return array<string, mixed>|null */
    private static function panelOf(OutlineLine $line): ?array
    {
        $at = 0;

        return self::entries($line->panel, $at, 1)[0] ?? null;
    }
}
