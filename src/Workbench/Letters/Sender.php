<?php

declare(strict_types=1);

namespace Lantern\Workbench\Letters;

use Lantern\Core\Shop\Settings;
use Lantern\Core\Shop\ShopDetail;
use Symfony\Component\Mime\Address;

/** Whom letters come from: the shop, under the address that its details say. */
final class Sender
{
    /** What a shop that has no name yet is called. */
    private const NAMELESS = 'Gentle Lantern';

    /** An address that nobody has (RFC 2606, 2). */
    private const NOBODY = 'nobody@shop.invalid';

    public static function of(Settings $shop): Address
    {
        return new Address($shop->get(ShopDetail::Mail->value) ?: self::NOBODY, $shop->name() ?: self::NAMELESS);
    }
}
