<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Lantern\Core\Menu\ContactTarget;
use Lantern\Core\Menu\Direction;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Gather;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\Insert;
use Lantern\Core\Menu\Lift;
use Lantern\Core\Menu\Move;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Position;
use Lantern\Core\Menu\Relocate;
use Lantern\Core\Menu\Remove;
use Lantern\Core\Menu\Rewrite;
use Lantern\Core\Menu\Shift;
use Lantern\Core\Menu\Target;
use Lantern\Core\Menu\Together;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Opening;
use Lantern\Core\Refused;

/** Moves as JSON: what the API takes, and what the journal keeps for undoing. */
final class MoveCodec
{
    private const MOST_TOGETHER = 1000;

    public static function decode(Fields $fields): Move
    {
        return match ($fields->text('type')) {
            'insert' => new Insert(self::entry($fields->object('entry')), self::position($fields->object('at'))),
            'remove' => new Remove($fields->uuid('entryId')),
            'lift' => new Lift($fields->uuid('entryId')),
            'gather' => new Gather(self::entry($fields->object('entry')), self::position($fields->object('at')), $fields->int('count')),
            'relocate' => new Relocate($fields->uuid('entryId'), self::position($fields->object('to'))),
            'shift' => new Shift($fields->uuid('entryId'), $fields->choice('direction', Direction::class, Direction::Down)),
            'rewrite' => new Rewrite(self::entry($fields->object('entry'))),
            'together' => self::together($fields->objects('moves')),
            default => throw new Refused('type', 'A move is one of insert, remove, lift, gather, relocate, shift, rewrite, together.'),
        };
    }

    /** @return array<string, mixed> */
    public static function encode(Move $move): array
    {
        return match (true) {
            $move instanceof Insert => ['type' => 'insert', 'entry' => self::entryShape($move->entry), 'at' => self::positionShape($move->at)],
            $move instanceof Remove => ['type' => 'remove', 'entryId' => $move->entryId],
            $move instanceof Lift => ['type' => 'lift', 'entryId' => $move->entryId],
            $move instanceof Gather => ['type' => 'gather', 'entry' => self::entryShape($move->entry), 'at' => self::positionShape($move->at), 'count' => $move->count],
            $move instanceof Relocate => ['type' => 'relocate', 'entryId' => $move->entryId, 'to' => self::positionShape($move->to)],
            $move instanceof Shift => ['type' => 'shift', 'entryId' => $move->entryId, 'direction' => $move->direction->value],
            $move instanceof Rewrite => ['type' => 'rewrite', 'entry' => self::entryShape($move->entry)],
            $move instanceof Together => ['type' => 'together', 'moves' => array_map(self::encode(...), $move->moves)],
            default => throw new \LogicException('No shape for '.$move::class),
        };
    }

    /** @return array<string, mixed> */
    public static function targetShape(Target $target): array
    {
        return match (true) {
            $target instanceof PlaceTarget => ['kind' => 'place', 'placeId' => $target->placeId, 'part' => $target->part],
            $target instanceof OutsideTarget => ['kind' => 'outside', 'uri' => $target->url],
            $target instanceof ContactTarget => ['kind' => 'contact', 'uri' => $target->uri],
            default => ['kind' => 'heading'],
        };
    }

    private static function entry(Fields $fields, int $level = 1): Entry
    {
        if ($level > 3) {
            throw new Refused('entry.children', 'A menu has at most 3 levels. Put this one level further out.');
        }

        return new Entry(
            $fields->uuid('id'),
            self::target($fields->object('target')),
            $fields->textOrNull('label'),
            array_map(static fn (Fields $child): Entry => self::entry($child, $level + 1), $fields->objects('children')),
            $fields->bool('enabled', true),
            $fields->choice('audience', Audience::class, Audience::Everyone),
            new Opening($fields->moment('from'), $fields->moment('until')),
            $fields->bool('newTab', false),
            $fields->text('note', ''),
        );
    }

    private static function target(Fields $fields): Target
    {
        return match ($fields->text('kind')) {
            'place' => new PlaceTarget($fields->uuid('placeId'), $fields->text('part', '')),
            'outside' => new OutsideTarget($fields->text('uri')),
            'contact' => ContactTarget::fromUri($fields->text('uri')),
            'heading' => new Heading(),
            default => throw new Refused('target', 'An entry leads to a place, an outside address, a contact, or is a heading.'),
        };
    }

    private static function position(Fields $fields): Position
    {
        return new Position($fields->uuidOrNull('parentId'), $fields->int('index'));
    }

    /** @param list<Fields> $moves */
    private static function together(array $moves): Together
    {
        if (\count($moves) > self::MOST_TOGETHER) {
            throw new Refused('moves', \sprintf('At most %d moves go together in one step.', self::MOST_TOGETHER));
        }

        return new Together(array_map(self::decode(...), $moves));
    }

    /** @return array<string, mixed> */
    private static function entryShape(Entry $entry): array
    {
        return [
            'id' => $entry->id,
            'target' => self::targetShape($entry->target),
            'label' => $entry->label,
            'children' => array_map(self::entryShape(...), $entry->children),
            'enabled' => $entry->enabled,
            'audience' => $entry->audience->value,
            'from' => $entry->opening->from?->format(\DATE_ATOM),
            'until' => $entry->opening->until?->format(\DATE_ATOM),
            'newTab' => $entry->newTab,
            'note' => $entry->note,
        ];
    }

    /** @return array{parentId: string|null, index: int} */
    private static function positionShape(Position $at): array
    {
        return ['parentId' => $at->parentId, 'index' => $at->index];
    }
}
