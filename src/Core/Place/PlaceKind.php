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
        return null !== $this->hasBelow();
    }

    /** Fixed places never close; quiet is how they leave the menus. */
    public function mayClose(): bool
    {
        return !$this->isFixed();
    }

    /** The kind of place that one of this kind may stand below; null: it stands on its own. */
    public function standsBelow(): ?self
    {
        return match ($this) {
            self::Page => self::PageGroup,
            self::Category => self::Category,
            self::Article => self::Journal,
            default => null,
        };
    }

    /** The kind of the places that stand below one of this kind; null: none do. */
    public function hasBelow(): ?self
    {
        foreach (self::cases() as $kind) {
            if ($this === $kind->standsBelow()) {
                return $kind;
            }
        }

        return null;
    }

    /** Whether a person makes places of this kind here. Products come from the product system, fixed places are there. */
    public function isMadeHere(): bool
    {
        return match ($this) {
            self::Page, self::Policy, self::PageGroup, self::Category, self::Collection, self::Article, self::File => true,
            default => false,
        };
    }

    /** Whether places of this kind are made here of nothing but a title; a file is uploaded. */
    public function isMadeFromTitle(): bool
    {
        return $this->isMadeHere() && self::File !== $this;
    }

    /**
     * What can be made of words that somebody typed as a title: a page first, that is what is missing most.
     *
     * @return list<self> none where the words are no title
     */
    public static function madeFromTitle(string $words): array
    {
        $words = trim($words);
        if ('' === $words || mb_strlen($words) > Title::MAX_LENGTH || 1 === preg_match('/^(\/|\S+@\S+$|[a-z][a-z0-9+.-]*:\S)/iD', $words)) {
            return [];
        }

        return array_values(array_filter(self::cases(), static fn (self $kind): bool => $kind->isMadeFromTitle()));
    }

    /** Whether its page lists products that can be narrowed by tag, price, stock or option. */
    public function canBeNarrowed(): bool
    {
        return self::Category === $this || self::Collection === $this || self::AllProducts === $this;
    }

    /** Whether its own page can have words; a file is all there is at its address. */
    public function hasWords(): bool
    {
        return self::File !== $this && self::Search !== $this;
    }

    /** The part of the shop's addresses that a new place of this kind begins in, where it stands below no other. */
    public function firstPart(): string
    {
        return match ($this) {
            self::Policy => '/policies',
            self::Collection => '/collections',
            self::Article => '/journal',
            self::File => '/files',
            default => '/',
        };
    }
}
