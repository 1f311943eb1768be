<?php

declare(strict_types=1);

/* How long it takes to look over a large shop, and to know after an edit; and in how much memory. Run by bin/bench findings. */

require dirname(__DIR__, 2).'/src/boot.php';

use Lantern\Core\Release\CopyName;
use Lantern\Reading\Findings\CopyFilter;
use Lantern\Reading\Findings\FindingTable;
use Lantern\Workbench\Findings\Inspection;
use Lantern\Workbench\Findings\LinkCheck;

lantern_environment();
$kernel = lantern_kernel('admin');
$kernel->boot();
$container = $kernel->getContainer()->get('test.service_container');
assert($container instanceof Psr\Container\ContainerInterface);
/** @var Inspection $inspection */
$inspection = $container->get(Inspection::class);
/** @var LinkCheck $check */
$check = $container->get(LinkCheck::class);
/** @var FindingTable $table */
$table = $container->get(FindingTable::class);
/** @var Doctrine\DBAL\Connection $connection */
$connection = $kernel->getContainer()->get('doctrine.dbal.workbench_connection');
$over = false;
$tell = static function (string $what, float $median, float $worst, float $aim, string $unit = 'ms') use (&$over): void {
    $over = $over || $median > $aim;
    printf(
        "%-66s %10s %10s %10s %-5s\n",
        $what,
        number_format($median, 1),
        number_format($worst, 1),
        number_format($aim)." $unit",
        $median > $aim ? 'OVER' : '',
    );
};
$timed = static function (Closure $work): float {
    $begin = hrtime(true);
    $work();

    return (hrtime(true) - $begin) / 1e6;
};
$median = static function (array $values): float {
    sort($values);

    return $values[intdiv(count($values), 2)];
};
printf("%-66s %10s %10s %10s\n", '', 'median', 'worst', 'aim');
foreach (CopyName::cases() as $copy) {
    $seconds = $timed(static fn () => $inspection->walk($copy)) / 1000;
    $tell("a walk over everything, $copy->value", $seconds, $seconds, 60, 's');
}
$memory = memory_get_peak_usage(true) / 2 ** 20;
$tell('most memory of that', $memory, $memory, 256, 'MB');
$connection->executeStatement('VACUUM ANALYZE journal.examined, journal.finding');
$edits = [
    'a place that texts link to is closed' => <<<'SQL'
        UPDATE workbench.place SET light = CASE light WHEN 'open' THEN 'closed' ELSE 'open' END WHERE address = '/page-%d'
        SQL,
    'a text is rewritten' => "UPDATE workbench.words SET html = html || '<p><a href=\"/nothing/%1\$d\">x</a></p>' WHERE id = (SELECT id "
        ."FROM workbench.place WHERE address = '/journal/note-%1\$d')",
    'an address is changed, and redirected' => <<<'SQL'
        UPDATE workbench.place SET address = address || '-moved' WHERE address = '/products/thing-%d'
        SQL,
    'an entry is switched off' => <<<'SQL'
        UPDATE workbench.entry SET enabled = NOT enabled
        WHERE id = (SELECT id FROM workbench.entry WHERE menu_id IN (SELECT id FROM workbench.menu WHERE name = 'Menu 3')
        ORDER BY position OFFSET %d LIMIT 1)
        SQL,
    'a line of the header is renamed' => <<<'SQL'
        UPDATE workbench.entry SET label = 'Papers %d'
        WHERE id = (SELECT e.id FROM workbench.entry e JOIN workbench.bay b ON b.menu_id = e.menu_id WHERE b.id = 'header'
        ORDER BY e.position LIMIT 1)
        SQL,
    'a redirect is taken out' => "DELETE FROM workbench.redirect WHERE source = '/old/%d'",
];
foreach ($edits as $what => $sql) {
    $took = [];
    for ($n = 1; $n <= 15; ++$n) {
        $connection->executeStatement(sprintf($sql, 10 + $n * 7));
        $took[] = $timed(static function () use ($check, $table): void {
            $table->outlook($check->catchUp());
        });
    }
    $tell("$what: until the tray knows", $median($took), max($took), 200);
}
$took = [];
for ($n = 0; $n < 15; ++$n) {
    $took[] = $timed(static function () use ($check, $table): void {
        $table->outlook($check->catchUp());
        $table->groups(CopyFilter::Workbench);
    });
}
$tell('the first page of the view', $median($took), max($took), 150);
printf("%s findings on the workbench\n", number_format(count($table->ids())));
exit($over ? 3 : 0);
