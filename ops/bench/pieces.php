<?php

declare(strict_types=1);

// Makes, past the workbench, the page that is measured: with `plain` one of words below a header of plain dropdowns; with
// `laid-out` one of twelve pieces of products and forty pictures below a header with the three wide panels of the demo shop.

use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Column;
use Lantern\Core\Piece\Picture;
use Lantern\Core\Piece\Products;
use Lantern\Core\Piece\ProductSource;
use Lantern\Demo\DemoId;
use Lantern\Interchange\Stored\PieceCodec;

require dirname(__DIR__, 2).'/src/boot.php';

lantern_environment();
$kernel = lantern_kernel('admin');
$kernel->boot();
/** @var Doctrine\DBAL\Connection $connection */
$connection = $kernel->getContainer()->get('doctrine.dbal.live_connection');
$page = DemoId::of('pages/our-story');
$connection->executeStatement('DELETE FROM live.entry WHERE menu_id = ?', [$page]);
$connection->executeStatement('DELETE FROM live.menu WHERE id = ?', [$page]);
if ('plain' === $argv[1]) {
    $connection->executeStatement("DELETE FROM live.entry WHERE menu_id IN (SELECT id FROM live.menu WHERE kind = 'panel')");
    $connection->executeStatement("DELETE FROM live.menu WHERE kind = 'panel'");
} else {
    $connection->insert(
        'live.menu',
        ['id' => $page, 'name' => 'Measured', 'kind' => 'page', 'changed_at' => '2026-01-01', 'changed_by' => 'bin/bench'],
    );
    $number = 0;
    $put = static function (
        object $piece,
        ?string $parent,
        int $position,
        ?string $place = null,
    ) use ($connection, $page, &$number): string {
        $id = DemoId::of('bench/'.++$number);
        $connection->insert('live.entry', [
            'id' => $id, 'menu_id' => $page, 'parent_id' => $parent, 'position' => $position,
            'target_kind' => null === $place ? 'heading' : 'place', 'place_id' => $place, 'on_page' => $page,
            'piece' => json_encode(PieceCodec::encode($piece), \JSON_THROW_ON_ERROR),
        ]);

        return $id;
    };
    $categories = ['categories/marbled', 'categories/block', 'categories/silk', 'categories/tools'];
    for ($row = 0; $row < 4; ++$row) {
        $band = $put(new Band(), null, $row);
        for ($nth = 0; $nth < 4; ++$nth) {
            $column = $put(new Column(), $band, $nth);
            3 === $nth
                ? $put(new Picture('hero.svg', 'Books on a shelf'), $column, 0)
                : $put(match ($nth) {
                    0 => new Products(most: 3), 1 => new Products(
                        ProductSource::Newest,
                        most: 3,
                    ), default => new Products(ProductSource::Reduced, most: 3),
                }, $column, 0, 0 === $nth ? DemoId::of($categories[$row]) : null);
        }
    }
}
$connection->executeStatement(<<<'SQL'
    INSERT INTO journal.release (id, number, released_by, summary, frame)
    SELECT gen_random_uuid(), max(number) + 1, 'bin/bench', 'a page to measure with', true FROM journal.release
    SQL);
