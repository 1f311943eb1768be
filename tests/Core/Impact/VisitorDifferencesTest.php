<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Impact\ComparedMenu;
use Lantern\Core\Impact\Sentence;
use Lantern\Core\Impact\TouchWords;
use Lantern\Core\Impact\VisitorDifferences;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\ResolvedMenu;
use Lantern\Core\Menu\Resolver;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Place\Opening;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Visitor;
use PHPUnit\Framework\TestCase;

final class VisitorDifferencesTest extends TestCase
{
    public function testSaysWhatAnotherDateShows(): void
    {
        $fair = new Place(
            'fair',
            PlaceKind::Page,
            'Spring fair',
            Address::parse('/fair'),
            opening: new Opening(new \DateTimeImmutable('2027-03-01T00:00:00Z'), new \DateTimeImmutable('2027-04-01T00:00:00Z')),
        );
        $tree = new Tree([new Entry('e', new PlaceTarget('fair'))]);
        $as = static fn (Visitor $visitor): ResolvedMenu => Resolver::resolve($tree, ['fair' => $fair], $visitor);
        $now = Visitor::guest(new \DateTimeImmutable('2026-11-23T00:00:00Z'));
        $then = Visitor::customer(new \DateTimeImmutable('2027-03-05T00:00:00Z'));
        self::assertSame(
            ['“Spring fair” is open; for a guest today it is closed.', 'Header: “Spring fair” is there.'],
            TouchWords::all(VisitorDifferences::differences($fair, [new ComparedMenu('Header', $as($now), $as($then))], $now, $then)),
        );
        self::assertSame(
            ['Header: “Spring fair” is not there.'],
            TouchWords::all(VisitorDifferences::differences(null, [new ComparedMenu('Header', $as($then), $as($now))], $then, $now)),
        );
        self::assertSame([], VisitorDifferences::differences($fair, [new ComparedMenu('Header', $as($now), $as($now))], $now, $now));
    }

    public function testEnumerates(): void
    {
        self::assertSame('', Sentence::enumerated([]));
        self::assertSame('a', Sentence::enumerated(['a']));
        self::assertSame('a, b and c', Sentence::enumerated(['a', 'b', 'c']));
        self::assertSame('a, b and 2 more', Sentence::enumerated(['a', 'b', 'c', 'd'], 2));
    }
}
