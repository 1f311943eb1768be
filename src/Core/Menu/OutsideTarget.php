<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Address\OutsideUrl;
use Lantern\Core\Refused;

/** An address on somebody else's web site. */
final readonly class OutsideTarget implements Target
{
    public string $url;

    /** @throws Refused where it is none */
    public function __construct(string $url)
    {
        $this->url = OutsideUrl::parse($url)->url;
    }

    public function equals(Target $other): bool
    {
        return $other instanceof self && $this->url === $other->url;
    }
}
