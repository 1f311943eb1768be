<?php

declare(strict_types=1);

namespace Lantern\Reading\Findings;

use Doctrine\DBAL\Connection;
use Lantern\Core\Place\PlaceKind;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Mentions\Distances;
use Lantern\Reading\Places\PlaceReader;
use Lantern\Reading\Sql\Row;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The picture of the shop: its most visited places, and those with something wrong, each at its distance from the front page. */
final readonly class ShopMap
{
    private const MOST = 90;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private Copies $copies,
        private Distances $distances,
    ) {
    }

    /** @return list<MappedPlace> the front page first, then the most visited */
    public function places(): array
    {
        // Products are too many to be told apart in a picture, unless something is wrong with them.
        $rows = $this->connection->fetchAllAssociative(<<<'SQL'
            WITH wrong AS (SELECT met.address, count(*) AS wrong FROM journal.finding f, unnest(f.met) AS met (address)
                WHERE f.copy = 'workbench' AND NOT EXISTS (SELECT FROM journal.set_aside a WHERE a.finding_id = f.id
                    AND (a.until IS NULL OR a.until > journal.moment())) GROUP BY met.address),
            seen AS (SELECT v.address, sum(v.count) AS visits FROM journal.visit v WHERE v.day > journal.utc_day() - 30 GROUP BY v.address)
            SELECT p.*, COALESCE(s.visits, 0) AS visits, COALESCE(w.wrong, 0) AS wrong
            FROM place p LEFT JOIN seen s ON s.address = p.address LEFT JOIN wrong w ON w.address = p.address
            WHERE p.light <> 'closed' AND (p.kind NOT IN ('product', 'file') OR w.wrong > 0)
            ORDER BY p.kind = 'front-page' DESC, COALESCE(s.visits, 0) + 1000 * LEAST(COALESCE(w.wrong, 0), 1) DESC, p.id LIMIT :most
            SQL, ['most' => self::MOST]);
        $places = [];
        foreach ($rows as $columns) {
            $places[(new Row($columns))->text('id')] = PlaceReader::fromRow($columns);
        }
        $steps = $this->distances->to(array_map(strval(...), array_keys($places)), $this->copies->workbench, $this->connection);

        return array_map(static function (array $columns) use ($places, $steps): MappedPlace {
            $row = new Row($columns);
            $place = $places[$row->text('id')];
            $isFront = PlaceKind::FrontPage === $place->kind;

            return new MappedPlace(
                $place,
                $isFront ? 0 : $steps[$place->id] ?? null,
                isset($places[$place->parentId ?? '']) ? $place->parentId : null,
                $row->int('visits'),
                $row->int('wrong'),
            );
        }, $rows);
    }
}
