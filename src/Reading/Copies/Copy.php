<?php

declare(strict_types=1);

namespace Lantern\Reading\Copies;

use Doctrine\DBAL\Connection;
use Lantern\Core\Release\CopyName;
use Lantern\Reading\Catalogue\ListingReader;
use Lantern\Reading\Catalogue\PieceProducts;
use Lantern\Reading\Catalogue\ShopReader;
use Lantern\Reading\Menus\FillingReader;
use Lantern\Reading\Menus\MenuReader;
use Lantern\Reading\Pieces\LayoutReader;
use Lantern\Reading\Places\PlaceReader;
use Lantern\Reading\Redirects\RuleReader;
use Lantern\Reading\Search\SearchReader;
use Lantern\Reading\Settings\SettingReader;

/** One of the two copies of the shop, to be read. Both have one structure, so the same readers serve them. */
final readonly class Copy
{
    public PlaceReader $places;
    public RuleReader $rules;
    public MenuReader $menus;
    public ShopReader $shop;
    public ListingReader $listings;
    public SearchReader $search;
    public FillingReader $fillings;
    public SettingReader $settings;
    public LayoutReader $layouts;
    private VersionReader $versions;

    public function __construct(public CopyName $name, private Connection $connection)
    {
        $this->places = new PlaceReader($connection);
        $this->rules = new RuleReader($connection);
        $this->menus = new MenuReader($connection);
        $this->shop = new ShopReader($connection);
        $this->listings = new ListingReader($connection);
        $this->search = new SearchReader($connection);
        $this->fillings = new FillingReader($connection);
        $this->settings = new SettingReader($connection);
        $this->versions = new VersionReader($name, $connection);
        $this->layouts = new LayoutReader(
            $connection,
            $this->menus,
            $this->places,
            $this->fillings,
            $this->shop,
            new PieceProducts($connection, $this->shop),
            $this->settings,
        );
    }

    /** @see VersionReader::frame() */
    public function frameVersion(): string
    {
        return $this->versions->frame();
    }

    /**
     * @see VersionReader::part()
     *
     * @param 'header'|'footer' $part
     */
    public function framePartVersion(string $part): string
    {
        return $this->versions->part($part);
    }

    /** @see VersionReader::content() */
    public function contentVersion(): string
    {
        return $this->versions->content();
    }

    /**
     * The first moment after now at which a date alone could change what visitors get: something opens or
     * closes, an entry comes or goes, a day begins in the shop.
     */
    public function nextChange(\DateTimeImmutable $now): \DateTimeImmutable
    {
        $parts = array_map(
            static fn (string $column): string => \sprintf(
                'SELECT min(%2$s) AS moment FROM %1$s WHERE %2$s > :now',
                ...explode('.', $column),
            ),
            ['place.opens_on', 'place.closes_on', 'entry.from_on', 'entry.until_on', 'redirect.until'],
        );
        $moment = $this->connection->fetchOne(
            'SELECT min(moment) FROM ('.implode(' UNION ALL ', $parts).') dates',
            ['now' => $now->format('Y-m-d H:i:sP')],
        );
        $midnight = $now->setTimezone($this->settings->zone())->modify('tomorrow');

        return \is_string($moment) ? min($midnight, new \DateTimeImmutable($moment)) : $midnight;
    }

    /** Until when what is made now may be kept in the memory of a node, where another version of it comes with each edit. */
    public function keptUntil(\DateTimeImmutable $now): \DateTimeImmutable
    {
        return min($this->nextChange($now), $now->modify('+1 minute'));
    }

    /**
     * Reads one state of the copy, whatever is published or edited meanwhile.
     *
     * @template T
     *
     * @param \Closure(): T $read
     *
     * @return T
     */
    public function snapshot(\Closure $read): mixed
    {
        // One round trip, where the library would need two.
        $this->connection->executeStatement('START TRANSACTION ISOLATION LEVEL REPEATABLE READ, READ ONLY');
        try {
            $this->settings->forget();
            $this->versions->remember();

            return $read();
        } finally {
            $this->versions->forget();
            $this->connection->executeStatement('ROLLBACK');
        }
    }
}
