<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Spots;

use Lantern\Demo\DemoId;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Spots\FoundSpot;
use Lantern\Reading\Spots\SpotFinder;
use Lantern\Tests\ShopTestCase;

final class SpotFinderTest extends ShopTestCase
{
    public function testASpotSaysWhetherThePlaceIsThereAlreadyAndWhetherItFits(): void
    {
        $place = $this->service(Copies::class)->workbench->places->get(DemoId::of('categories/papers'));
        self::assertNotNull($place);
        $finder = $this->service(SpotFinder::class);
        $spots = $finder->find($place, 'header');
        self::assertSame(['Header', DemoId::of('menus/header'), true], [$spots[0]->spot->words(), $spots[0]->menuId, $spots[0]->isThere]);
        self::assertStringContainsString('two lines', $spots[0]->fit, 'one more on the first level has no room');
        $below = $finder->find($place, 'header threads')[0];
        self::assertSame(['Header › Threads', false, ''], [$below->spot->words(), $below->isThere, $below->fit]);
        self::assertSame([], $finder->find($place, 'no such spot'));
        self::assertContains(
            'Spring fair',
            array_map(static fn (FoundSpot $one): string => $one->spot->words(), $finder->find($place, 'spring')),
        );
    }
}
