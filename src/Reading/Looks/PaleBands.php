<?php

declare(strict_types=1);

namespace Lantern\Reading\Looks;

use Doctrine\DBAL\Connection;
use Lantern\Core\Looks\Looks;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Pale;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Refused;
use Lantern\Interchange\Stored\Fields;
use Lantern\Interchange\Stored\PieceCodec;
use Lantern\Reading\Sql\Row;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Bands and panels of the workbench with a ground of their own, on which the colours that the looks give are not read. */
final readonly class PaleBands
{
    /** More are not looked at: whoever has so many mends them by other colours of the looks. */
    private const MOST = 500;

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /** @return list<PaleBand> */
    public function in(Looks $looks): array
    {
        $rows = $this->connection->fetchAllAssociative(<<<'SQL'
            SELECT e.id, e.menu_id, m.kind, COALESCE(p.title, m.name) AS name, e.piece
            FROM entry e JOIN menu m ON m.id = e.menu_id LEFT JOIN place p ON p.id = m.id
            WHERE e.piece ->> 'kind' IN ('band', 'panel') AND (e.piece -> 'ground' ->> 'colour' IS NOT NULL OR m.kind = 'panel'
                AND e.piece ->> 'kind' = 'panel')
            ORDER BY e.menu_id, e.piece ->> 'kind' DESC LIMIT :most
            SQL, ['most' => self::MOST]);
        $panels = $found = [];
        foreach ($rows as $columns) {
            $row = new Row($columns);
            try {
                $piece = PieceCodec::decode(Fields::of($row->json('piece')));
            } catch (Refused) {
                continue;
            }
            if ($piece instanceof Panel) {
                $panels[$row->text('menu_id')] = $piece;
            }
            if (!$piece instanceof Panel && !$piece instanceof Band || null === $piece->ground->colour) {
                continue;
            }
            $panel = $piece instanceof Band ? $panels[$row->text('menu_id')] ?? null : null;
            $own = (null === $panel ? $piece->colours : $piece->colours->over($panel->colours))->values();
            foreach (Pale::in($piece, $panel, [], $looks) as $pale) {
                // What has a colour of its own is told where that was chosen, whatever the looks are.
                if (!isset($own[$pale->name])) {
                    $found[] = new PaleBand($row->text('menu_id'), $row->text('kind'), $row->text('id'), $row->text('name'), $pale);
                }
            }
        }

        return $found;
    }
}
