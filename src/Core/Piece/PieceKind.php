<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Place\PlaceKind;

/** What can stand in a page or a wide panel, and what may stand below what. */
enum PieceKind: string
{
    case Panel = 'panel';
    case Band = 'band';
    case Column = 'column';
    case Words = 'words';
    case Heading = 'heading';
    case Divider = 'divider';
    case Picture = 'picture';
    case Button = 'button';
    case Links = 'links';
    case Products = 'products';
    case Product = 'product';
    case Cards = 'cards';
    case File = 'file';
    case Contact = 'contact';
    case SignUp = 'sign-up';
    case Tabs = 'tabs';
    case Tab = 'tab';
    case Carousel = 'carousel';

    public function words(): string
    {
        return match ($this) {
            self::Panel => 'wide panel',
            self::Product => 'one product',
            self::Cards => 'cards of places',
            default => $this->value,
        };
    }

    /** Whether it is a piece, and not what pieces stand in. */
    public function isPiece(): bool
    {
        return !\in_array($this, [self::Panel, self::Band, self::Column, self::Tab], true);
    }

    /** Whether this can stand right below the other. */
    public function standsIn(self $other): bool
    {
        return match ($other) {
            self::Panel, self::Tab => self::Band === $this,
            self::Band => self::Column === $this,
            self::Column => $this->isPiece(),
            self::Tabs => self::Tab === $this,
            self::Carousel => $this->isPiece() && !\in_array($this, [self::Tabs, self::Carousel, self::Divider], true),
            default => false,
        };
    }

    /** As what a place of a kind naturally stands in a page. */
    public static function of(PlaceKind $kind): self
    {
        return match ($kind) {
            PlaceKind::Category, PlaceKind::Collection => self::Products,
            PlaceKind::Product => self::Product,
            PlaceKind::File => self::File,
            default => self::Cards,
        };
    }

    /** Whether links stand below it, as in a menu. */
    public function holdsLinks(): bool
    {
        return \in_array($this, [self::Links, self::Products, self::Cards], true);
    }

    /** Whether its line is nothing without words. */
    public function needsLabel(): bool
    {
        return \in_array($this, [self::Heading, self::Button, self::Tab], true);
    }

    /**
     * Whether it names a place as a menu does, so that a quiet one is left out. What a hand has put on a page by itself
     * leads on to quiet places, as a link in a text does.
     */
    public function leavesOutQuiet(): bool
    {
        return $this->holdsLinks();
    }
}
