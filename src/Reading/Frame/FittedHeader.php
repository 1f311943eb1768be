<?php

declare(strict_types=1);

namespace Lantern\Reading\Frame;

use Lantern\Core\Fit\HeaderFit;
use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Core\Shop\HeaderShape;
use Lantern\Core\Shop\Settings;

/** How the header fits in the looks of the shop, with what stands beside its entries. */
final class FittedHeader
{
    /** The longer of the two that stand there, for who is signed in and who is not. */
    private const ACCOUNT = 'Your account';

    /**
     * @param list<ResolvedEntry> $entries the first level as a visitor gets it
     * @param list<string>        $panels  ids of those that open a wide panel
     */
    public static function of(Settings $settings, array $entries, array $panels): HeaderFit
    {
        $looks = $settings->looks();

        return HeaderFit::of(
            $settings->name(),
            self::ACCOUNT,
            $entries,
            $panels,
            $looks,
            HeaderShape::of($settings->values)->wordmark?->shownWidth($looks->type()),
        );
    }
}
