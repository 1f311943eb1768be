<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Place\PlaceKind;

/** Where the children of a self-filling entry come from. */
enum FillingSource: string
{
    /** The pages of a page group. */
    case Pages = 'pages';
    /** The categories below a category; without one, those of the first level. */
    case Categories = 'categories';
    /** The products of a category or collection; without one, of the whole shop. */
    case Products = 'products';
    /** What is new of a kind. */
    case Newest = 'newest';

    /** As it is written in the interface. */
    public function words(): string
    {
        return match ($this) {
            self::Pages => 'pages of a group',
            self::Categories => 'categories',
            self::Products => 'products',
            self::Newest => 'what is new',
        };
    }

    /** What the place is called that it comes from. */
    public function placeWords(): string
    {
        return match ($this) {
            self::Pages => 'The group',
            self::Categories => 'Below which category',
            self::Products => 'Of which category or collection',
            self::Newest => '',
        };
    }

    /** @return list<PlaceKind> kinds of the place that it comes from; none where it comes from the whole shop */
    public function placeKinds(): array
    {
        return match ($this) {
            self::Pages => [PlaceKind::PageGroup],
            self::Categories => [PlaceKind::Category],
            self::Products => [PlaceKind::Category, PlaceKind::Collection],
            self::Newest => [],
        };
    }

    /** Whether it needs a place to come from; else it can be the whole shop. */
    public function needsPlace(): bool
    {
        return self::Pages === $this;
    }

    /** @return list<FillingOrder> */
    public function orders(): array
    {
        return match ($this) {
            self::Newest => [FillingOrder::Newest],
            self::Products => FillingOrder::cases(),
            default => [FillingOrder::Hand, FillingOrder::Name, FillingOrder::Newest],
        };
    }

    /** How many levels can be shown. */
    public function deepest(): int
    {
        return self::Categories === $this ? 2 : 1;
    }

    /** How many are shown at most, to begin with. */
    public function mostAtFirst(): int
    {
        return self::Newest === $this ? 5 : 10;
    }
}
