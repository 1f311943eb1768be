<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Place\Place;

/** What the shop has for the pieces of a layout at the moment. */
final readonly class Supplies
{
    /**
     * @param array<string, Place>        $places     every place that is referred to, by id; one that is missing counts as gone
     * @param array<string, list<Place>>  $candidates what could fill each line that fills itself, by its id, in the order of its rule
     * @param array<string, list<string>> $products   what each piece of products shows by its rule, by the id of the piece
     * @param array<string, list<Place>>  $children   what stands below the place of each piece of cards, by the id of the piece
     * @param array<string, true>         $pictures   names of the pictures that are there
     * @param array<string, string>       $details    of the shop, by name
     */
    public function __construct(
        public array $places = [],
        public array $candidates = [],
        public array $products = [],
        public array $children = [],
        public array $pictures = [],
        public array $details = [],
    ) {
    }
}
