<?php

declare(strict_types=1);

namespace Lantern\Reading\Releases;

use Lantern\Core\Release\Aspect;
use Lantern\Core\Release\AspectChange;
use Lantern\Core\Release\Difference;
use Lantern\Core\Release\Presence;
use Lantern\Core\Release\Thing;

/** One row that differs between two copies, or before and after a release; and what that means. */
final readonly class RowChange
{
    private const THINGS = [
        'place' => Thing::Place, 'words' => Thing::Words, 'pick' => Thing::Picks, 'menu' => Thing::Menu, 'entry' => Thing::Entry,
        'bay' => Thing::Bay, 'redirect' => Thing::Redirect, 'setting' => Thing::Setting,
    ];

    private const ASPECTS = [
        'place' => [
            'title' => Aspect::Title, 'address' => Aspect::Address, 'light' => Aspect::Light, 'opens_on' => Aspect::Dates,
            'closes_on' => Aspect::Dates,
            'audience' => Aspect::Audience, 'listed' => Aspect::Listing, 'listing_title' => Aspect::Listing,
            'listing_description' => Aspect::Listing,
            'closed_answer' => Aspect::ClosedAnswer, 'closed_to' => Aspect::ClosedAnswer, 'serving' => Aspect::Serving,
            'download_name' => Aspect::Serving,
            'file' => Aspect::Content, 'rule' => Aspect::Filling, 'filters' => Aspect::Filters, 'summary' => Aspect::Summary,
            'picture' => Aspect::Picture, 'parent_id' => Aspect::Parent, 'position' => Aspect::Position,
        ],
        'entry' => [
            'label' => Aspect::Label, 'parent_id' => Aspect::Position, 'position' => Aspect::Position, 'enabled' => Aspect::Enabled,
            'target_kind' => Aspect::Target, 'place_id' => Aspect::Target, 'part' => Aspect::Target, 'uri' => Aspect::Target,
            'audience' => Aspect::Audience, 'from_on' => Aspect::Dates, 'until_on' => Aspect::Dates, 'note' => Aspect::Note,
            'narrowing' => Aspect::Target, 'filling' => Aspect::Filling, 'piece' => Aspect::Content,
        ],
        'menu' => ['name' => Aspect::Name],
        'bay' => [
            'menu_id' => Aspect::Target,
            'heading' => Aspect::Label,
            'position' => Aspect::Position,
            'share' => Aspect::Width,
            'fills' => Aspect::Filling,
        ],
    ];

    /**
     * @param string                    $table  such as `place`
     * @param array<string, mixed>|null $before columns and values; null where the row is new
     * @param array<string, mixed>|null $after  null where the row is removed
     */
    public function __construct(public string $table, public string $id, public ?array $before, public ?array $after)
    {
    }

    /** @return list<string> ids of what has to be known by name to tell of it */
    public function refersTo(): array
    {
        return array_values(array_filter(
            array_map($this->value(...), ['menu_id', 'place_id', 'collection_id', 'goal_place_id', 'beside']),
            \is_string(...),
        ));
    }

    /** @param array<string, string> $names titles of places and names of menus, by id */
    public function difference(array $names): Difference
    {
        $name = fn (string $column): string => $names[self::text($this->value($column))] ?? '';
        [$subjectId, $subjectName] = match ($this->table) {
            'entry' => [self::text($this->value('menu_id')), $name('menu_id')],
            'pick' => [self::text($this->value('collection_id')), $name('collection_id')],
            'words' => [$this->id, $names[$this->id] ?? ''],
            'bay' => ['frame', ''],
            'setting' => ['shop', ''],
            default => [$this->id, $this->named($this->after ?? $this->before ?? [], $names)],
        };

        return new Difference(
            self::THINGS[$this->table] ?? throw new \LogicException("No thing is kept in {$this->table}."),
            $this->id,
            $subjectId,
            $subjectName,
            null === $this->before ? Presence::New : (null === $this->after ? Presence::Removed : Presence::Both),
            $this->named($this->after ?? $this->before ?? [], $names),
            $this->named($this->before ?? [], $names),
            match ($this->table) {
                'redirect' => self::text($this->value('goal_outside')) ?: self::text($this->value('goal_address')) ?: (
                    $name('goal_place_id') ?: 'nowhere'
                ),
                'bay' => $name('menu_id'),
                'setting' => self::text($this->after['value'] ?? null),
                default => self::text($this->value('address')),
            },
            str_replace('-', ' ', self::text($this->value('kind'))),
            $this->aspects(),
        );
    }

    /** @return list<AspectChange> */
    private function aspects(): array
    {
        if (null === $this->before || null === $this->after) {
            return [];
        }
        $changes = [];
        foreach ($this->after as $column => $is) {
            $was = $this->before[$column] ?? null;
            if ($was !== $is) {
                $changes[] = new AspectChange(self::ASPECTS[$this->table][$column] ?? Aspect::Other, self::text($was), self::text($is));
            }
        }

        return $changes;
    }

    /**
     * @param array<string, mixed>  $columns
     * @param array<string, string> $names
     */
    private function named(array $columns, array $names): string
    {
        return match ($this->table) {
            'entry' => self::text($columns['label'] ?? null) ?: (
                $names[self::text($columns['place_id'] ?? null)]
                    ?? self::text(\is_array($columns['piece'] ?? null) ? $columns['piece']['kind'] ?? null : null)
            ),
            'redirect' => self::text($columns['source'] ?? null).(true === ($columns['is_prefix'] ?? null) ? '/*' : ''),
            'place' => self::text($columns['title'] ?? null),
            'bay' => $names[self::text($columns['beside'] ?? null)] ?? '',
            default => self::text($columns['name'] ?? null),
        };
    }

    private function value(string $column): mixed
    {
        return $this->after[$column] ?? $this->before[$column] ?? null;
    }

    private static function text(mixed $value): string
    {
        return \is_scalar($value) ? (string) $value : '';
    }
}
