<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Impact\Relative;
use Lantern\Core\Impact\Relatives;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use PHPUnit\Framework\TestCase;

final class RelativesTest extends TestCase
{
    public function testTheParentComesFirstThenWhoSharesMostThenWhoIsNamedAlike(): void
    {
        $place = $this->place('Calendar kits');
        $parent = $this->place('Kits');
        $others = [
            $this->place('Calendar paper'),
            $this->place('First kits'),
            $this->place('Tools'),
            $this->place('Shut kits', Light::Closed),
            $place,
            $parent,
        ];
        $found = Relatives::nearest($place, $parent, $others, ['First kits' => 9, 'Tools' => 1], 10, new \DateTimeImmutable());
        self::assertSame(
            ['Kits, stands above it', 'First kits, shares 9 of its 10 products', 'Calendar paper, has a name like it'],
            array_map(static fn (Relative $one): string => "{$one->place->title}, {$one->words()}", \array_slice($found, 0, 3)),
        );
        self::assertNotContains(
            'Shut kits',
            array_map(static fn (Relative $one): string => $one->place->title, $found),
            'visitors are led to what opens',
        );
    }

    public function testAClosedParentIsNotOffered(): void
    {
        self::assertSame([], Relatives::nearest($this->place('A'), $this->place('B', Light::Closed), [], [], 0, new \DateTimeImmutable()));
    }

    private function place(string $title, Light $light = Light::Open): Place
    {
        return new Place($title, PlaceKind::Category, $title, Address::parse('/'.strtr(strtolower($title), ' ', '-')), null, $light);
    }
}
