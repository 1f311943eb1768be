<?php

declare(strict_types=1);

namespace Lantern\Tests;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The walls between layers, and between the rooms of each: an arrow goes down only, and never round. */
final class Walls
{
    /** Each layer with those below it that it may stand on. */
    private const LAYERS = [
        'Core' => [],
        'Interchange' => ['Core'],
        'Reading' => ['Core', 'Interchange'],

        'Workbench' => ['Core', 'Interchange', 'Reading'],
        'Node' => ['Core', 'Reading', 'Workbench'],
        'Storefront' => ['Core', 'Interchange', 'Reading', 'Workbench', 'Node'],
        'Admin' => ['Core', 'Interchange', 'Reading', 'Workbench', 'Node'],
        'Demo' => ['Core', 'Interchange', 'Reading', 'Workbench', 'Admin'],
        'Console' => ['Core', 'Interchange', 'Reading', 'Workbench', 'Admin', 'Demo'],
    ];

    /**
     * Each room of a layer with those of the same layer that it may look into. Whoever makes a room writes it here; tests/Checks/RoomsTest
     * finds a circle.
     */
    public const ROOMS = [
        'Core' => [
            'Address' => [],
            'Looks' => [],
            'Person' => [],
            'Policy' => [],
            'Search' => [],
            'Filter' => ['Address'],
            'Place' => ['Address'],
            'Words' => ['Address'],
            'Menu' => ['Address', 'Filter', 'Place'],
            'Redirect' => ['Address', 'Place'],
            'Shop' => ['Filter', 'Looks', 'Search'],
            'Answer' => ['Address', 'Place', 'Redirect'],
            'Outline' => ['Menu', 'Place'],
            'Piece' => ['Looks', 'Menu', 'Place'],
            'Fit' => ['Looks', 'Menu', 'Piece'],
            'Impact' => ['Address', 'Menu', 'Outline', 'Place', 'Redirect'],
            'Release' => ['Answer', 'Place', 'Redirect', 'Shop', 'Words'],
            'Finding' => ['Address', 'Answer', 'Fit', 'Looks', 'Menu', 'Piece', 'Place', 'Redirect', 'Shop', 'Words'],
        ],
        'Interchange' => [
            'Csv' => [],
            'Html' => [],
            'Opml' => [],
            'Sitemap' => [],
            'Stored' => [],
            'Json' => ['Stored'],
        ],
        'Reading' => [
            'Previews' => [],
            'Sql' => [],
            'Looks' => ['Sql'],
            'News' => ['Sql'],
            'Places' => ['Sql'],
            'Settings' => ['Sql'],
            'Menus' => ['Places', 'Sql'],
            'Redirects' => ['Places', 'Sql'],
            'Search' => ['Places', 'Sql'],
            'Catalogue' => ['Places', 'Search', 'Sql'],
            'Pieces' => ['Catalogue', 'Menus', 'Places', 'Settings', 'Sql'],
            'Copies' => ['Catalogue', 'Menus', 'Pieces', 'Places', 'Redirects', 'Search', 'Settings', 'Sql'],
            'Answers' => ['Copies', 'Places', 'Redirects'],
            'Frame' => ['Copies', 'Pieces'],
            'Listings' => ['Catalogue', 'Copies', 'Places'],
            'Relatives' => ['Copies', 'Places', 'Sql'],
            'Shop' => ['Copies', 'Sql'],
            'Mentions' => ['Catalogue', 'Copies', 'Frame', 'Places', 'Sql'],
            'Outlines' => ['Answers', 'Copies', 'Places'],
            'Releases' => ['Answers', 'Copies', 'Places', 'Redirects', 'Sql'],
            'Spots' => ['Copies', 'Frame'],
            'Findings' => ['Copies', 'Frame', 'Mentions', 'Pieces', 'Places', 'Redirects', 'Relatives', 'Sql'],
        ],
        'Workbench' => [
            'Audit' => [],
            'Edits' => [],
            'Mailing' => [],
            'Settings' => [],
            'Words' => [],
            'Filters' => ['Edits', 'Settings'],
            'Findings' => ['Edits'],
            'Frame' => ['Edits', 'Settings'],
            'Letters' => ['Edits', 'Mailing'],
            'Looks' => ['Edits', 'Settings'],
            'Search' => ['Edits', 'Settings'],
            'Tidying' => ['Audit'],
            'MorningMail' => ['Letters'],
            'People' => ['Audit', 'Edits', 'Letters'],
            'Pieces' => ['Edits', 'Frame'],
            'Subscribers' => ['Edits', 'Letters', 'Mailing'],
            'Crawl' => ['Findings', 'People'],
            'Jobs' => ['Audit', 'Edits', 'People'],
            'OutsideLinks' => ['Edits', 'Jobs'],
            'Publishing' => ['Audit', 'Edits', 'Jobs'],
            'Redirects' => ['Edits', 'Jobs'],
            'Places' => ['Edits', 'Redirects', 'Words'],
            'Queues' => ['Audit', 'Letters', 'Mailing', 'MorningMail', 'OutsideLinks', 'People', 'Subscribers'],
            'Schedule' => ['Findings', 'MorningMail', 'OutsideLinks'],
            'Shop' => ['Audit', 'Edits', 'Frame', 'People', 'Publishing', 'Settings'],
            'Addresses' => ['Edits', 'Jobs', 'Places', 'Redirects'],
            'Menus' => ['Edits', 'Places', 'Words'],
            'Policies' => ['Edits', 'Frame', 'Menus', 'Places', 'Words'],
            'Mends' => ['Edits', 'Findings', 'Places', 'Policies', 'Redirects', 'Settings', 'Words'],
        ],
        'Node' => [
            'Customers' => [],
            'Http' => [],
            'Look' => [],
            'Memory' => [],
            'News' => ['Look', 'Memory'],
            'Pages' => ['Memory', 'News'],
            'Table' => ['Look', 'Memory', 'News'],
            'Visits' => ['Memory', 'News'],
            'Early' => ['Customers', 'Http', 'Look', 'Memory', 'News', 'Pages', 'Table'],
        ],
        'Storefront' => [
            'Http' => [],
            'Listing' => ['Http'],
            'Pieces' => ['Http'],
            'Frame' => ['Http', 'Pieces'],
            'Search' => ['Http', 'Listing'],
            'Formats' => ['Frame', 'Http'],
            'Pages' => ['Frame', 'Http', 'Listing', 'Pieces', 'Search'],
            'Basket' => ['Http', 'Pages'],
            'Customer' => ['Http', 'Pages'],
            'SignUp' => ['Http', 'Pages'],
            'Site' => ['Basket', 'Customer', 'Formats', 'Frame', 'Http', 'Pages', 'Pieces', 'Search', 'SignUp'],
        ],
        'Admin' => [
            'Account' => [],
            'Http' => ['Account'],
            'Edit' => ['Account', 'Http'],
            'Job' => ['Account', 'Http'],
            'Letter' => ['Account', 'Http'],
            'Preview' => ['Account', 'Http'],
            'Rule' => ['Http'],
            'Shop' => ['Http'],
            'SignIn' => ['Account', 'Http'],
            'Person' => ['Account', 'Http', 'SignIn'],
            'Place' => ['Account', 'Http', 'Rule'],
            'Redirect' => ['Account', 'Http', 'Job', 'Rule'],
            'Release' => ['Account', 'Http', 'Job'],
            'Address' => ['Account', 'Http', 'Job', 'Place'],
            'Filter' => ['Account', 'Http', 'Place'],
            'Finding' => ['Account', 'Http', 'Job', 'Place'],
            'Menu' => ['Account', 'Http', 'Place'],
            'Policy' => ['Account', 'Http', 'Place'],
            'Search' => ['Account', 'Http', 'Place'],
            'Piece' => ['Account', 'Http', 'Menu'],
        ],
    ];

    /** @return iterable<string, Rule> */
    public function testALayerStandsOnThoseBelowIt(): iterable
    {
        foreach (self::LAYERS as $layer => $below) {
            $others = array_diff(array_keys(self::LAYERS), $below, [$layer]);
            yield $layer => PHPat::rule()->classes(Selector::inNamespace("Lantern\\$layer"))
                ->shouldNot()
                    ->dependOn()
                    ->classes(...array_map(static fn (string $other) => Selector::inNamespace("Lantern\\$other"), array_values($others)))
                ->because('an arrow goes down only');
        }
    }

    /** Whoever visits leaves no more behind than an address on a list, and words that were not found. */
    public function testTheStorefrontWritesThroughTwoDoors(): Rule
    {
        $others = array_diff(array_keys(self::ROOMS['Workbench']), ['Subscribers', 'Search']);

        return PHPat::rule()->classes(Selector::inNamespace('Lantern\Storefront'))
            ->shouldNot()
                ->dependOn()
                ->classes(...array_map(
                    static fn (string $room) => Selector::inNamespace("Lantern\\Workbench\\$room"),
                    array_values($others),
                ))
            ->because('the storefront is read, and its visitors edit nothing');
    }

    public function testTheCoreImportsNothingButPhp(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('Lantern\Core'))
            ->canOnly()->dependOn()->classes(Selector::inNamespace('Lantern\Core'), Selector::isStandardClass())
            ->because('the rules of the job need no framework, no database and no clock');
    }

    /** @return iterable<string, Rule> */
    public function testNoTwoRoomsOfALayerLookIntoEachOther(): iterable
    {
        foreach (self::ROOMS as $layer => $rooms) {
            foreach ($rooms as $room => $known) {
                $others = array_diff(array_keys($rooms), $known, [$room]);
                yield "$layer/$room" => PHPat::rule()->classes(Selector::inNamespace("Lantern\\$layer\\$room"))
                    ->shouldNot()
                        ->dependOn()
                        ->classes(...array_map(
                            static fn (string $one) => Selector::inNamespace("Lantern\\$layer\\$one"),
                            array_values($others),
                        ))
                    ->because('a circle of rooms is one room');
            }
        }
    }
}
