<?php

declare(strict_types=1);

namespace Lantern\Workbench\Shop;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Menu\Bay;
use Lantern\Core\Person\Actor;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Shop\ShopDetail;
use Lantern\Workbench\Frame\BayRecord;
use Lantern\Workbench\Publishing\Publisher;
use Lantern\Workbench\Settings\SettingWriter;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\UuidV7;

/** What every shop has before anything is made in it: its fixed places, and the positions of its frame. Visitors get it at once. */
final readonly class ShopBeginning
{
    private const PLACES = [
        [PlaceKind::FrontPage, 'Front page', '/', true],
        [PlaceKind::AllProducts, 'All products', '/products', true],
        [PlaceKind::AllCollections, 'Collections', '/collections', true],
        [PlaceKind::Search, 'Search the shop', '/search', false],
        [PlaceKind::Contact, 'Contact', '/contact', true],
        [PlaceKind::Journal, 'Journal', '/journal', true],
    ];
    private const BAYS = [
        'header' => 0,
        Bay::SECOND_ROW => 1,
        'drawer' => 2,
        'footer-1' => 11,
        'footer-2' => 12,
        'footer-3' => 13,
        'footer-4' => 14,
        'footer-5' => 15,
        'footer-6' => 16,
        Bay::LAST_LINE => 30,
    ];

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private EntityManagerInterface $entities,
        private SettingWriter $settings,
        private Publisher $publisher,
    ) {
    }

    public function isThere(): bool
    {
        return false !== $this->connection->fetchOne('SELECT 1 FROM workbench.place LIMIT 1');
    }

    /**
     * @param string $name as ShopDetail::Name takes it
     * @param Actor $by   who begins it
     */
    public function make(string $name, string $timeZone, Actor $by): void
    {
        foreach (self::PLACES as $position => [$kind, $title, $address, $listed]) {
            $this->connection->executeStatement(<<<'SQL'
                INSERT INTO workbench.place (id, kind, title, address, position, listed, changed_by)
                VALUES (?, ?, ?, ?, ?, CAST(? AS boolean), ?)
                SQL, [(new UuidV7())->toRfc4122(), $kind->value, $title, $address, $position, $listed ? 'true' : 'false', $by->name]);
        }
        foreach (self::BAYS as $id => $position) {
            $this->entities->persist(new BayRecord($id, $position));
        }
        $this->settings->write([ShopDetail::Name->value => $name, ShopDetail::TimeZone->value => $timeZone]);
        $this->publisher->publish($by);
    }
}
