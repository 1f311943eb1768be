<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\Connection;

/** One of the two copies of the shop, to be read. Both have one structure, so the same readers serve them. */
final readonly class Copy
{
    public PlaceReader $places;
    public RuleReader $rules;
    public MenuReader $menus;
    public ShopReader $shop;

    public function __construct(public CopyName $name, private Connection $connection)
    {
        $this->places = new PlaceReader($connection);
        $this->rules = new RuleReader($connection);
        $this->menus = new MenuReader($connection);
        $this->shop = new ShopReader($connection);
    }

    /** The number of the latest release; 0 before the first. */
    public function release(): int
    {
        $number = $this->connection->fetchOne('SELECT COALESCE(max(number), 0) FROM journal.release');

        return is_numeric($number) ? (int) $number : 0;
    }
}
