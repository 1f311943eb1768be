<?php

declare(strict_types=1);

namespace Lantern\Interchange\Stored;

use Lantern\Core\Menu\Direction;
use Lantern\Core\Menu\Gather;
use Lantern\Core\Menu\Insert;
use Lantern\Core\Menu\Lift;
use Lantern\Core\Menu\Move;
use Lantern\Core\Menu\Position;
use Lantern\Core\Menu\Rearrange;
use Lantern\Core\Menu\Relocate;
use Lantern\Core\Menu\RelocateAll;
use Lantern\Core\Menu\Remove;
use Lantern\Core\Menu\RemoveAll;
use Lantern\Core\Menu\Rewrite;
use Lantern\Core\Menu\Shift;
use Lantern\Core\Menu\ShiftAll;
use Lantern\Core\Menu\Together;
use Lantern\Core\Refused;

/** Moves as JSON: what the API takes, and what the journal keeps for undoing. */
final class MoveCodec
{
    private const MOST_TOGETHER = 1000;

    public static function decode(Fields $fields): Move
    {
        return match ($fields->text('type')) {
            'insert' => new Insert(EntryCodec::decode($fields->object('entry')), self::position($fields->object('at'))),
            'remove' => new Remove($fields->uuid('entryId')),
            'lift' => new Lift($fields->uuid('entryId')),
            'gather' => new Gather(
                EntryCodec::decode($fields->object('entry')),
                self::position($fields->object('at')),
                $fields->int('count'),
            ),
            'relocate' => new Relocate($fields->uuid('entryId'), self::position($fields->object('to'))),
            'shift' => new Shift($fields->uuid('entryId'), $fields->choice('direction', Direction::class, Direction::Down)),
            'rewrite' => new Rewrite(EntryCodec::decode($fields->object('entry'))),
            'shift-all' => new ShiftAll(self::ids($fields), $fields->choice('direction', Direction::class, Direction::Down)),
            'relocate-all' => new RelocateAll(self::ids($fields), self::position($fields->object('to'))),
            'remove-all' => new RemoveAll(self::ids($fields), $fields->bool('childrenStay', false)),
            'together' => self::together($fields->objects('moves')),
            'rearrange' => self::rearrange($fields),
            default => throw new Refused(
                'type',
                'A move is one of insert, remove, lift, gather, relocate, shift, rewrite, shift-all, relocate-all, remove-all, together.',
            ),
        };
    }

    /** @return array<string, mixed> */
    public static function encode(Move $move): array
    {
        return match (true) {
            $move instanceof Insert => [
                'type' => 'insert',
                'entry' => EntryCodec::encode($move->entry),
                'at' => self::positionShape($move->at),
            ],
            $move instanceof Remove => ['type' => 'remove', 'entryId' => $move->entryId],
            $move instanceof Lift => ['type' => 'lift', 'entryId' => $move->entryId],
            $move instanceof Gather => [
                'type' => 'gather',
                'entry' => EntryCodec::encode($move->entry),
                'at' => self::positionShape($move->at),
                'count' => $move->count,
            ],
            $move instanceof Relocate => ['type' => 'relocate', 'entryId' => $move->entryId, 'to' => self::positionShape($move->to)],
            $move instanceof Shift => ['type' => 'shift', 'entryId' => $move->entryId, 'direction' => $move->direction->value],
            $move instanceof Rewrite => ['type' => 'rewrite', 'entry' => EntryCodec::encode($move->entry)],
            $move instanceof ShiftAll => ['type' => 'shift-all', 'entryIds' => $move->entryIds, 'direction' => $move->direction->value],
            $move instanceof RelocateAll => [
                'type' => 'relocate-all',
                'entryIds' => $move->entryIds,
                'to' => self::positionShape($move->to),
            ],
            $move instanceof RemoveAll => ['type' => 'remove-all', 'entryIds' => $move->entryIds, 'childrenStay' => $move->childrenStay],
            $move instanceof Rearrange => [
                'type' => 'rearrange',
                'lines' => array_values(array_map(EntryCodec::encode(...), $move->lines)),
                'gone' => $move->gone,
                'lists' => array_map(
                    static fn (int|string $parentId, array $ids): array => [
                        'parentId' => '' === $parentId ? null : (string) $parentId,
                        'entryIds' => $ids,
                    ],
                    array_keys($move->lists),
                    $move->lists,
                ),
            ],
            $move instanceof Together => ['type' => 'together', 'moves' => array_map(self::encode(...), $move->moves)],
            default => throw new \LogicException('No shape for '.$move::class),
        };
    }

    private static function position(Fields $fields): Position
    {
        return new Position($fields->uuidOrNull('parentId'), $fields->int('index'));
    }

    /** @return list<string> */
    private static function ids(Fields $fields): array
    {
        $ids = $fields->uuids('entryIds');
        if ([] === $ids || \count($ids) > self::MOST_TOGETHER) {
            throw new Refused('entryIds', \sprintf('Between 1 and %d lines go together in one step.', self::MOST_TOGETHER));
        }

        return $ids;
    }

    private static function rearrange(Fields $fields): Rearrange
    {
        $lines = $lists = [];
        foreach ($fields->objects('lines') as $line) {
            $entry = EntryCodec::decode($line);
            $lines[$entry->id] = $entry;
        }
        foreach ($fields->objects('lists') as $list) {
            $lists[$list->uuidOrNull('parentId') ?? ''] = $list->uuids('entryIds');
        }

        return new Rearrange($lines, $fields->uuids('gone'), $lists);
    }

    /** @param list<Fields> $moves */
    private static function together(array $moves): Together
    {
        if (\count($moves) > self::MOST_TOGETHER) {
            throw new Refused('moves', \sprintf('At most %d moves go together in one step.', self::MOST_TOGETHER));
        }

        return new Together(array_map(self::decode(...), $moves));
    }

    /** @return array{parentId: string|null, index: int} */
    private static function positionShape(Position $at): array
    {
        return ['parentId' => $at->parentId, 'index' => $at->index];
    }
}
