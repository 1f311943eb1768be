<?php

declare(strict_types=1);

namespace Lantern\Storefront\Pieces;

use Lantern\Core\Piece\Text;
use Lantern\Core\Words\Words;
use Lantern\Reading\Pieces\LaidOut;
use Lantern\Storefront\Http\Visit;

/** Makes what was laid out ready to be shown, and notes what it shows. */
final readonly class Layouts
{
    public static function shown(Visit $visit, LaidOut $laidOut): ShownLayout
    {
        $shop = $visit->copy->shop;
        $inWords = $laidOut->inWords();
        $destinations = $shop->destinations($inWords);
        $settings = $visit->copy->settings->all()->values;
        $words = [];
        foreach ($laidOut->layout->all() as $piece) {
            if ($piece->piece instanceof Text) {
                $words[$piece->id] = (new Words($piece->piece->html))->shown($destinations, $settings, $visit->prefix);
            }
        }
        array_map($visit->shown->place(...), [...$laidOut->layout->placeIds(), ...$inWords]);
        array_map($visit->shown->list(...), $laidOut->lists);

        return new ShownLayout($laidOut->layout->pieces, $laidOut->cards, $words, $settings);
    }
}
