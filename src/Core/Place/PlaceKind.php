<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

enum PlaceKind: string
{
    case Page = 'page';
    case Policy = 'policy';
    case PageGroup = 'page-group';
    case Category = 'category';
    case Collection = 'collection';
    case Product = 'product';
    case Journal = 'journal';
    case Article = 'article';
    case File = 'file';
    case FrontPage = 'front-page';
    case AllProducts = 'all-products';
    case AllCollections = 'all-collections';
    case Search = 'search';
    case Contact = 'contact';

    /** As it is written in the interface. */
    public function words(): string
    {
        return str_replace('-', ' ', $this->value);
    }

    /** Fixed places are always there: they keep their address and cannot be removed. */
    public function isFixed(): bool
    {
        return match ($this) {
            self::FrontPage, self::AllProducts, self::AllCollections, self::Search, self::Contact => true,
            default => false,
        };
    }

    /** Whether what stands below its address belongs to it, and comes along when that changes. */
    public function hasPlacesBelow(): bool
    {
        return match ($this) {
            self::Category, self::PageGroup, self::Journal => true,
            default => false,
        };
    }

    /** Fixed places never close; quiet is how they leave the menus. */
    public function mayClose(): bool
    {
        return !$this->isFixed();
    }
}
