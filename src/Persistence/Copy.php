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
    public FillingReader $fillings;

    public function __construct(public CopyName $name, private Connection $connection)
    {
        $this->places = new PlaceReader($connection);
        $this->rules = new RuleReader($connection);
        $this->menus = new MenuReader($connection);
        $this->shop = new ShopReader($connection);
        $this->fillings = new FillingReader($connection);
    }

    /** The id of the latest release; empty before the first. */
    public function release(): string
    {
        $id = $this->connection->fetchOne('SELECT id FROM journal.release ORDER BY number DESC LIMIT 1');

        return \is_string($id) ? $id : '';
    }
}
