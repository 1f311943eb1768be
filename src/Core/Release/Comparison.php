<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

/** Tells the difference between the workbench and live in words, grouped by what a person would name. */
final readonly class Comparison
{
    /**
     * @param array<string, string> $names titles of places and names of menus, by id, for the rows that refer to them
     */
    public function __construct(private array $names)
    {
    }

    /**
     * @param list<RowChange> $rows
     *
     * @return list<WaitingChange>
     */
    public function changes(array $rows): array
    {
        $groups = [];
        foreach ($rows as $row) {
            [$kind, $id] = $this->subject($row);
            $groups["$kind $id"][] = $row;
        }
        $changes = [];
        foreach ($groups as $key => $group) {
            [$kind, $id] = explode(' ', $key, 2);
            $changes[] = new WaitingChange($kind, $id, $this->name($kind, $id, $group), $this->sentences($group), $group);
        }
        usort($changes, static fn (WaitingChange $a, WaitingChange $b): int => [self::rank($a->kind), $a->name] <=> [self::rank($b->kind), $b->name]);

        return $changes;
    }

    /**
     * The tray's one line: "header · About us · 2 redirects".
     *
     * @param list<WaitingChange> $changes
     * @param int                 $more    redirects that are not among them
     */
    public static function summary(array $changes, int $more = 0): string
    {
        $parts = [];
        $redirects = $more;
        foreach ($changes as $change) {
            if ('redirect' === $change->kind) {
                ++$redirects;
            } else {
                $parts[] = $change->name;
            }
        }
        $named = \array_slice($parts, 0, 4);
        if (\count($parts) > 4) {
            $named[] = \sprintf('%d more', \count($parts) - 4);
        }
        if ($redirects > 0) {
            $named[] = \sprintf('%s %s', number_format($redirects), 1 === $redirects ? 'redirect' : 'redirects');
        }

        return implode(' · ', $named);
    }

    /** @return array{string, string} kind and id of what the row belongs to */
    private function subject(RowChange $row): array
    {
        return match ($row->table) {
            'entry' => ['menu', self::text($row->value('menu_id'))],
            'words' => ['place', $row->id],
            'pick' => ['place', self::text($row->value('collection_id'))],
            // Nobody would name a single bay, or a single detail of the shop.
            'bay' => ['bay', 'frame'],
            'setting' => ['setting', 'shop'],
            default => [$row->table, $row->id],
        };
    }

    /** @param list<RowChange> $rows */
    private function name(string $kind, string $id, array $rows): string
    {
        foreach ($rows as $row) {
            if ($row->table === $kind) {
                return match ($kind) {
                    'redirect' => self::text($row->value('source')).(true === $row->value('is_prefix') ? '/*' : ''),
                    'place' => self::text($row->value('title')),
                    'menu' => self::text($row->value('name')),
                    'bay' => 'where menus hang',
                    default => 'shop details',
                };
            }
        }

        return $this->names[$id] ?? 'something that is no longer there';
    }

    /**
     * @param list<RowChange> $rows
     *
     * @return list<string>
     */
    private function sentences(array $rows): array
    {
        return array_merge(...array_map(fn (RowChange $row): array => match ($row->table) {
            'entry' => $this->entrySentences($row),
            'place' => $this->placeSentences($row),
            'redirect' => $this->redirectSentences($row),
            'words' => ['The words changed.'],
            'pick' => ['The products picked by hand changed.'],
            'menu' => [match (true) {
                $row->isNew() => 'This menu is new.',
                $row->isRemoved() => 'This menu was removed.',
                default => \sprintf('Its name was “%s”.', self::text($row->before['name'] ?? '')),
            }],
            'bay' => [\sprintf('%s: “%s” hangs here.', ucfirst(str_replace('-', ' ', $row->id)), $this->names[self::text($row->value('menu_id'))] ?? 'nothing')],
            default => ['The shop’s details changed.'],
        }, $rows));
    }

    /** @return list<string> */
    private function entrySentences(RowChange $row): array
    {
        $label = $this->entryLabel($row->after ?? $row->before ?? []);
        if ($row->isNew()) {
            return ["“{$label}” is new."];
        }
        if ($row->isRemoved()) {
            return ["“{$label}” was taken out."];
        }
        $was = $this->entryLabel($row->before ?? []);
        $said = [];
        foreach ($row->columns() as $column) {
            $said[] = match ($column) {
                'label' => $was === $label ? "“{$label}” now follows or keeps its own label." : "“{$was}” is now called “{$label}”.",
                'parent_id', 'position' => "“{$label}” stands in another position.",
                'enabled' => true === $row->value('enabled') ? "“{$label}” was switched on." : "“{$label}” was switched off.",
                'target_kind', 'place_id', 'part', 'uri' => "“{$label}” leads somewhere else.",
                'audience' => "“{$label}” has another audience.",
                'from_on', 'until_on' => "“{$label}” has other dates.",
                'note' => "The note on “{$label}” changed.",
                default => "“{$label}” changed.",
            };
        }

        return array_values(array_unique($said));
    }

    /** @param array<string, mixed> $entry */
    private function entryLabel(array $entry): string
    {
        return self::text($entry['label'] ?? null) ?: ($this->names[self::text($entry['place_id'] ?? null)] ?? 'an entry');
    }

    /** @return list<string> */
    private function placeSentences(RowChange $row): array
    {
        if ($row->isNew()) {
            return [\sprintf('This %s is new, at %s.', str_replace('-', ' ', self::text($row->value('kind'))), self::text($row->value('address')))];
        }
        if ($row->isRemoved()) {
            return [\sprintf('It was removed from %s.', self::text($row->value('address')))];
        }
        $said = [];
        foreach ($row->columns() as $column) {
            [$was, $is] = [self::text($row->before[$column] ?? null), self::text($row->after[$column] ?? null)];
            $said[] = match ($column) {
                'title' => "Title: “{$was}” becomes “{$is}”.",
                'address' => "Address: {$was} becomes {$is}.",
                'light' => \sprintf('Light: %s becomes %s.', ucfirst($was), ucfirst($is)),
                'opens_on', 'closes_on' => 'Its opening has other dates.',
                'audience' => "Audience: {$was} becomes {$is}.",
                'listed', 'listing_title', 'listing_description' => 'Its search listing changed.',
                'closed_answer', 'closed_to' => 'While it is closed, its address answers otherwise.',
                'serving', 'download_name' => 'Links open it in another way.',
                'file' => 'It has other content.',
                'rule' => 'It comes by its products in another way.',
                'summary' => 'Its short description changed.',
                'parent_id' => '' === $is ? 'It stands below no other place.' : 'It stands below another place.',
                'position' => 'It stands in another position among its siblings.',
                default => 'Its '.str_replace('_', ' ', $column).' changed.',
            };
        }

        return array_values(array_unique($said));
    }

    /** @return list<string> */
    private function redirectSentences(RowChange $row): array
    {
        $goal = self::text($row->value('goal_outside')) ?: self::text($row->value('goal_address')) ?: ($this->names[self::text($row->value('goal_place_id'))] ?? 'nowhere');

        return [match (true) {
            $row->isNew() => "Visitors are led on to {$goal}.",
            $row->isRemoved() => 'This redirect falls away.',
            default => "It leads to {$goal} now.",
        }];
    }

    private static function rank(string $kind): int
    {
        return (int) array_search($kind, ['bay', 'menu', 'place', 'redirect', 'setting'], true);
    }

    private static function text(mixed $value): string
    {
        return \is_scalar($value) ? (string) $value : '';
    }
}
