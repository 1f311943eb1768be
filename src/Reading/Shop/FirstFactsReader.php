<?php

declare(strict_types=1);

namespace Lantern\Reading\Shop;

use Doctrine\DBAL\Connection;
use Lantern\Core\Shop\FirstFacts;
use Lantern\Core\Shop\ShopDetail;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Sql\Row;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Reads how far a new shop has come, by one statement. */
final readonly class FirstFactsReader
{
    private const HEADER = "EXISTS (SELECT FROM %s.bay b JOIN %1\$s.entry e ON e.menu_id = b.menu_id WHERE b.id = 'header')";

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private Copies $copies,
    ) {
    }

    public function read(): FirstFacts
    {
        $settings = $this->copies->workbench->settings->all();
        $known = static fn (ShopDetail $detail): bool => '' !== $settings->get($detail->value);
        $row = new Row($this->connection->fetchAssociative(\sprintf(
            <<<'SQL'
                SELECT (SELECT count(*) FROM workbench.place WHERE kind = 'policy') AS policies,
                    (SELECT count(*)
                        FROM (SELECT FROM workbench.place p WHERE kind = 'page'
                        AND (EXISTS (SELECT FROM workbench.words w WHERE w.id = p.id AND w.html <> '')
                        OR EXISTS (SELECT FROM workbench.entry e WHERE e.on_page = p.id)) LIMIT 1) AS written) AS pages,
                    %s AS header, %s AS live_header
                SQL,
            \sprintf(self::HEADER, 'workbench'),
            \sprintf(self::HEADER, 'live'),
        )) ?: []);

        return new FirstFacts(
            $known(ShopDetail::Company) && $known(ShopDetail::Mail) && $known(ShopDetail::Street),
            $row->int('policies'),
            $row->int('pages'),
            $row->bool('header'),
            $row->bool('live_header'),
        );
    }
}
