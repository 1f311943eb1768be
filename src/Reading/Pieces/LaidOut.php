<?php

declare(strict_types=1);

namespace Lantern\Reading\Pieces;

use Lantern\Core\Piece\ResolvedLayout;
use Lantern\Core\Piece\Text;
use Lantern\Core\Words\Words;
use Lantern\Reading\Catalogue\Card;

/** A page's body or a wide panel as a visitor gets it, with all that is needed to show it. */
final readonly class LaidOut
{
    /**
     * @param array<string, Card> $cards of the places that pieces show, by id
     * @param list<string>        $lists what else would make another of it, see `ShownThings::list`
     */
    public function __construct(public ResolvedLayout $layout, public array $cards, public array $lists)
    {
    }

    /** @return list<string> ids of the places that its words refer to */
    public function inWords(): array
    {
        $ids = [];
        foreach ($this->layout->all() as $piece) {
            if ($piece->piece instanceof Text) {
                $ids = [...$ids, ...(new Words($piece->piece->html))->placeIds()];
            }
        }

        return array_values(array_unique($ids));
    }
}
