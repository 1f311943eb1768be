<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Looks;

use Lantern\Core\Looks\Looks;
use Lantern\Core\Looks\LooksSet;
use Lantern\Reading\Looks\PaleBand;
use Lantern\Reading\Looks\PaleBands;
use Lantern\Tests\ShopTestCase;

final class PaleBandsTest extends ShopTestCase
{
    public function testABandWithALightGroundDoesNotGoWithDarkLooks(): void
    {
        $bands = $this->service(PaleBands::class);
        self::assertSame([], $bands->in(Looks::of()), 'colours of one’s own are told where they were chosen');
        $night = array_values(array_filter(LooksSet::shipped(), static fn (LooksSet $set): bool => $set->looks->isDark()))[0]->looks;
        self::assertSame(
            ['Front page heading', 'Front page text', 'Front page link', 'Front page pointed'],
            array_map(static fn (PaleBand $one): string => "{$one->name} {$one->pale->name}", $bands->in($night)),
        );
        // With colours of its own it goes with any.
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE entry SET piece = piece || '{"colours": {"heading": "#000000", "text": "#000000", "link": "#000000"}}'
            WHERE piece -> 'ground' ->> 'colour' IS NOT NULL
            SQL);
        self::assertSame([], $bands->in($night));
    }
}
