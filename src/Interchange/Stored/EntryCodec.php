<?php

declare(strict_types=1);

namespace Lantern\Interchange\Stored;

use Lantern\Core\Filter\Filter;
use Lantern\Core\Filter\FilterKind;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Menu\ContactTarget;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\FillingOrder;
use Lantern\Core\Menu\FillingSource;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\Menu\Target;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Piece\Piece;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Opening;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Refused;

/** Entries of menus as JSON. */
final class EntryCodec
{
    /** @param int $level of a link among links; pieces within one another are for the page to judge */
    public static function decode(Fields $fields, int $level = 1): Entry
    {
        $piece = $fields->objectOrNull('piece');
        if ($level > Tree::MAX_DEPTH) {
            throw new Refused('entry.children', \sprintf('A menu has at most %d levels. Put this one level further out.', Tree::MAX_DEPTH));
        }

        return new Entry(
            $fields->uuid('id'),
            self::target($fields->object('target')),
            null === ($label = $fields->textOrNull('label')) ? null : self::trimmed($label),
            array_map(
                static fn (Fields $child): Entry => self::decode($child, null === $piece ? $level + 1 : 1),
                $fields->objects('children'),
            ),
            $fields->bool('enabled', true),
            $fields->choice('audience', Audience::class, Audience::Everyone),
            new Opening($fields->moment('from'), $fields->moment('until')),
            $fields->bool('newTab', false),
            $fields->text('note', ''),
            null === $fields->objectOrNull('filling') ? null : self::filling($fields->object('filling')),
            null === $piece ? null : PieceCodec::decode($piece),
        );
    }

    /** @return array<string, mixed> */
    public static function encode(Entry $entry): array
    {
        return [
            'id' => $entry->id,
            'target' => self::targetShape($entry->target),
            'label' => $entry->label,
            'children' => array_map(self::encode(...), $entry->children),
            'enabled' => $entry->enabled,
            'audience' => $entry->audience->value,
            'from' => $entry->opening->from?->format(\DATE_ATOM),
            'until' => $entry->opening->until?->format(\DATE_ATOM),
            'newTab' => $entry->newTab,
            'note' => $entry->note,
            'filling' => null === $entry->filling ? null : self::fillingShape($entry->filling),
        ] + ($entry->content instanceof Piece ? ['piece' => PieceCodec::encode($entry->content)] : []);
    }

    public static function target(Fields $fields): Target
    {
        $narrowing = $fields->objectOrNull('narrowing');

        return match ($fields->text('kind')) {
            'place' => new PlaceTarget(
                $fields->uuid('placeId'),
                $fields->text('part', ''),
                null === $narrowing ? new Narrowing() : self::narrowing($narrowing),
            ),
            'outside' => new OutsideTarget($fields->text('uri')),
            'contact' => ContactTarget::fromUri($fields->text('uri')),
            'heading' => new Heading(),
            default => throw new Refused('target', 'An entry leads to a place, an outside address, a contact, or is a heading.'),
        };
    }

    /** @return array<string, mixed> */
    public static function targetShape(Target $target): array
    {
        return match (true) {
            $target instanceof PlaceTarget => [
                'kind' => 'place',
                'placeId' => $target->placeId,
                'part' => $target->part,
                'narrowing' => self::narrowingShape($target->narrowing),
            ],
            $target instanceof OutsideTarget => ['kind' => 'outside', 'uri' => $target->url],
            $target instanceof ContactTarget => ['kind' => 'contact', 'uri' => $target->uri],
            default => ['kind' => 'heading'],
        };
    }

    public static function narrowing(Fields $fields): Narrowing
    {
        $choices = [];
        foreach ($fields->mapOr('choices', []) as $key => $values) {
            $values = Fields::of(['choices' => $values], 'narrowing')->textsOr('choices', []);
            $choices[(string) $key] = FilterKind::Category->value === $key
                ? array_map(static fn (string $id): string => Fields::of(['category' => $id], 'narrowing')->uuid('category'), $values)
                : $values;
        }
        // As it was written when a listing could be narrowed by one tag and one option only.
        [$tag, $option, $choice] = [$fields->text('tag', ''), $fields->text('option', ''), $fields->text('choice', '')];
        if ('' !== $tag) {
            $choices[FilterKind::Tag->value][] = $tag;
        }
        if ('' !== $option && '' !== $choice) {
            $choices[Filter::option($option)->key()][] = $choice;
        }

        return new Narrowing($choices, $fields->intOrNull('priceFrom'), $fields->intOrNull('priceTo'), $fields->bool('inStock', false));
    }

    /** @return array{choices: \stdClass, priceFrom: int|null, priceTo: int|null, inStock: bool}|null null where nothing is narrowed */
    public static function narrowingShape(Narrowing $narrowing): ?array
    {
        return $narrowing->isNone() ? null : [
            'choices' => (object) $narrowing->choices,
            'priceFrom' => $narrowing->priceFrom,
            'priceTo' => $narrowing->priceTo,
            'inStock' => $narrowing->inStock,
        ];
    }

    public static function filling(Fields $fields): SelfFilling
    {
        $labels = [];
        foreach ($fields->mapOr('labels', []) as $id => $label) {
            $labels[Fields::of(['id' => (string) $id])->uuid('id')] = Fields::of(['label' => $label])->text('label');
        }

        return new SelfFilling(
            $fields->choice('source', FillingSource::class, FillingSource::Categories),
            $fields->uuidOrNull('placeId'),
            null === $fields->textOrNull('kind') ? null : $fields->choice('kind', PlaceKind::class, PlaceKind::Product),
            $fields->intOr('depth', 1),
            $fields->intOr('most', 10),
            $fields->choice('order', FillingOrder::class, FillingOrder::Hand),
            $labels,
            $fields->uuids('leftOut'),
        );
    }

    /**
     * @return array{
     *     source: string, placeId: string|null, kind: string|null, depth: int, most: int, order: string,
     *     labels: \stdClass, leftOut: list<string>,
     * }
     */
    public static function fillingShape(SelfFilling $filling): array
    {
        return [
            'source' => $filling->source->value,
            'placeId' => $filling->placeId,
            'kind' => $filling->kind?->value,
            'depth' => $filling->depth,
            'most' => $filling->most,
            'order' => $filling->order->value,
            'labels' => (object) $filling->labels,
            'leftOut' => $filling->leftOut,
        ];
    }

    /** What stands around a label nobody sees; one that has nothing else stays, and is refused. */
    private static function trimmed(string $label): string
    {
        return trim((string) preg_replace('/[\s\x{00A0}]+/u', ' ', $label)) ?: $label;
    }
}
