<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Place;

use Lantern\Core\Address\Address;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Opening;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\SearchListing;
use Lantern\Core\Refused;
use Lantern\Core\Visitor;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PlaceTest extends TestCase
{
    #[DataProvider('lights')]
    public function testTheThreeLights(Light $light, bool $opens, bool $shown, bool $inSitemap): void
    {
        $place = $this->place($light);
        self::assertSame(
            [$opens, $shown, $inSitemap],
            [$place->opensFor($this->guest()), $place->isShownTo($this->guest()), $place->isInSitemapAt($this->now())],
        );
    }

    /** @return iterable<string, array{Light, bool, bool, bool}> */
    public static function lights(): iterable
    {
        yield 'open' => [Light::Open, true, true, true];
        yield 'quiet' => [Light::Quiet, true, false, true];
        yield 'closed' => [Light::Closed, false, false, false];
    }

    public function testOutsideItsOpeningAPlaceCountsAsClosed(): void
    {
        $opening = new Opening($this->now(), $this->now()->modify('+1 day'));
        foreach ([
            '-1 second' => Light::Closed,
            '+0 seconds' => Light::Quiet,
            '+86399 seconds' => Light::Quiet,
            '+1 day' => Light::Closed,
        ] as $when => $light) {
            self::assertSame($light, $this->place(Light::Quiet, $opening)->lightAt($this->now()->modify($when)), $when);
        }
    }

    public function testAnOpeningThatEndsBeforeItBeginsIsRefused(): void
    {
        $this->expectException(Refused::class);
        new Opening($this->now(), $this->now());
    }

    public function testAudiences(): void
    {
        $customer = Visitor::customer($this->now());
        self::assertTrue(Audience::Everyone->includes($customer) && Audience::Everyone->includes($this->guest()));
        self::assertTrue(Audience::Customers->includes($customer) && !Audience::Customers->includes($this->guest()));
        self::assertTrue(!Audience::Guests->includes($customer) && Audience::Guests->includes($this->guest()));
        self::assertFalse(
            $this->place(Light::Open, audience: Audience::Customers)->isInSitemapAt($this->now()),
            'search engines are guests',
        );
    }

    public function testWhatIsNotListedIsNotInTheSitemap(): void
    {
        self::assertFalse($this->place(Light::Open, listing: new SearchListing(false))->isInSitemapAt($this->now()));
    }

    public function testSaysWhatItIsInWords(): void
    {
        $day = static fn (string $day): \DateTimeImmutable => new \DateTimeImmutable($day);
        self::assertSame('Open', $this->place(Light::Open)->lightWords($this->now()));
        self::assertSame('Quiet', $this->place(Light::Quiet)->lightWords($this->now()));
        self::assertSame('Opens 4 April', $this->place(Light::Open, new Opening($day('2026-04-04')))->lightWords($this->now()));
        self::assertSame('Opens 4 April 2027', $this->place(Light::Quiet, new Opening($day('2027-04-04')))->lightWords($this->now()));
        self::assertSame(
            'Quiet, closes 30 April',
            $this->place(Light::Quiet, new Opening(null, $day('2026-04-30')))->lightWords($this->now()),
        );
        self::assertSame('Closed', $this->place(Light::Open, new Opening(null, $day('2026-01-30')))->lightWords($this->now()));
        self::assertSame('Closed', $this->place(Light::Closed, new Opening($day('2026-04-04')))->lightWords($this->now()));
    }

    private function place(
        Light $light,
        Opening $opening = new Opening(),
        Audience $audience = Audience::Everyone,
        SearchListing $listing = new SearchListing(),
    ): Place {
        return new Place(
            'p',
            PlaceKind::Page,
            'Care',
            Address::parse('/care'),
            light: $light,
            opening: $opening,
            audience: $audience,
            listing: $listing,
        );
    }

    private function now(): \DateTimeImmutable
    {
        return new \DateTimeImmutable('2026-03-01T12:00:00Z');
    }

    private function guest(): Visitor
    {
        return Visitor::guest($this->now());
    }

    public function testWhatStandsBelowIsTheOtherSideOfStandingBelow(): void
    {
        foreach (PlaceKind::cases() as $kind) {
            if (null !== $below = $kind->hasBelow()) {
                self::assertSame($kind, $below->standsBelow());
            }
        }
        self::assertSame(
            [PlaceKind::Page, PlaceKind::Category, PlaceKind::Article],
            array_map(
                static fn (PlaceKind $kind): ?PlaceKind => $kind->hasBelow(),
                [PlaceKind::PageGroup, PlaceKind::Category, PlaceKind::Journal],
            ),
        );
        self::assertNull(PlaceKind::Product->hasBelow());
    }
}
