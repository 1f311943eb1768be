<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Place\Place;

/** A place that another one's visitors could be led to, and why it is near. */
final readonly class Relative
{
    /**
     * @param int $shared products that it has in common with the other
     * @param int $of     how many that one has
     */
    public function __construct(public Place $place, public Nearness $nearness, public int $shared = 0, public int $of = 0)
    {
    }

    public function words(): string
    {
        return match ($this->nearness) {
            Nearness::Above => 'stands above it',
            Nearness::SharesProducts => \sprintf('shares %d of its %d products', $this->shared, $this->of),
            Nearness::LikeName => 'has a name like it',
            Nearness::Beside => 'stands beside it',
        };
    }
}
