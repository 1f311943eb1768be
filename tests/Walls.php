<?php

declare(strict_types=1);

namespace Lantern\Tests;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The walls between layers, and between the rooms of the core: an arrow goes down only, and never round. */
final class Walls
{
    /** Each layer with those below it that it may stand on. */
    private const LAYERS = [
        'Core' => [],
        'Interchange' => ['Core'],
        'Reading' => ['Core', 'Interchange'],
        'Letters' => ['Core', 'Reading'],
        'Workbench' => ['Core', 'Interchange', 'Reading'],
        'Node' => ['Core', 'Reading', 'Workbench'],
        'Storefront' => ['Core', 'Interchange', 'Reading', 'Node', 'Letters'],
        'Admin' => ['Core', 'Interchange', 'Reading', 'Workbench', 'Node', 'Letters'],
        'Demo' => ['Core', 'Interchange', 'Reading', 'Workbench', 'Admin'],
        'Console' => ['Core', 'Interchange', 'Reading', 'Workbench', 'Letters', 'Admin', 'Demo'],
    ];

    /** Each room of the core with those it may look into. Whoever makes a room writes it here. */
    private const ROOMS = [
        'Address' => [],
        'Looks' => [],
        'Shop' => ['Looks', 'Filter', 'Search', 'Address'],
        'Person' => [],
        'Policy' => [],
        'Place' => ['Address'],
        'Words' => ['Address'],
        'Redirect' => ['Address', 'Place'],
        'Answer' => ['Address', 'Place', 'Redirect'],
        'Filter' => ['Address'],
        'Search' => [],
        'Menu' => ['Address', 'Place', 'Filter'],
        'Piece' => ['Looks', 'Place', 'Menu'],
        'Outline' => ['Place', 'Menu'],
        'Fit' => ['Looks', 'Menu', 'Piece'],
        'Release' => ['Address', 'Place', 'Words', 'Shop', 'Redirect', 'Answer'],
        'Finding' => ['Address', 'Place', 'Words', 'Answer', 'Redirect', 'Menu', 'Piece', 'Looks', 'Shop', 'Fit'],
        'Impact' => ['Address', 'Place', 'Words', 'Redirect', 'Menu', 'Outline'],
    ];

    /** @return iterable<string, Rule> */
    public function testALayerStandsOnThoseBelowIt(): iterable
    {
        foreach (self::LAYERS as $layer => $below) {
            $others = array_diff(array_keys(self::LAYERS), $below, [$layer]);
            yield $layer => PHPat::rule()->classes(Selector::inNamespace("Lantern\\$layer"))
                ->shouldNot()->dependOn()->classes(...array_map(static fn (string $other) => Selector::inNamespace("Lantern\\$other"), array_values($others)))
                ->because('an arrow goes down only');
        }
    }

    public function testTheCoreImportsNothingButPhp(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('Lantern\Core'))
            ->canOnly()->dependOn()->classes(Selector::inNamespace('Lantern\Core'), Selector::isStandardClass())
            ->because('the rules of the job need no framework, no database and no clock');
    }

    /** @return iterable<string, Rule> */
    public function testNoTwoRoomsOfTheCoreLookIntoEachOther(): iterable
    {
        foreach (self::ROOMS as $room => $known) {
            $own = array_map(static fn (string $one) => Selector::inNamespace("Lantern\\Core\\$one"), [$room, ...$known]);
            yield $room => PHPat::rule()->classes(Selector::inNamespace("Lantern\\Core\\$room"))
                ->canOnly()->dependOn()->classes(Selector::classname(\Lantern\Core\Refused::class), Selector::classname(\Lantern\Core\NotThere::class), Selector::classname(\Lantern\Core\Visitor::class), Selector::classname(\Lantern\Core\Moment::class), Selector::classname(\Lantern\Core\With::class), Selector::isStandardClass(), ...$own)
                ->because('a circle of rooms is one room');
        }
    }
}
