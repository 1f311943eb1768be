<?php

declare(strict_types=1);

/* Changes the notice of the shop and the titles of some places to one number, and publishes, once a second. */

require dirname(__DIR__, 2).'/src/boot.php';

use Lantern\Kernel;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Input\ArrayInput;
use Symfony\Component\Console\Output\BufferedOutput;

lantern_environment();
$kernel = new Kernel('prod', false, 'admin');
$application = new Application($kernel);
$application->setAutoExit(false);
$kernel->boot();
/** @var Doctrine\DBAL\Connection $connection */
$connection = $kernel->getContainer()->get('doctrine.dbal.workbench_connection');
$took = [];
for ($round = 1, $end = hrtime(true) + ((int) $argv[1] + 3) * 1e9; hrtime(true) < $end; ++$round) {
    $begin = hrtime(true);
    $connection->transactional(static function () use ($connection, $round, $argv): void {
        $connection->executeStatement(<<<'SQL'
            INSERT INTO workbench.setting (id, value) VALUES ('notice', to_jsonb(CAST(:words AS text))) ON CONFLICT (id) DO UPDATE
            SET value = excluded.value
            SQL, ['words' => "Round $round of the bench"]);
        $connection->executeStatement(
            "UPDATE workbench.place SET title = regexp_replace(title, ' \\(round \\d+\\)$', '') || CAST(:round AS text) WHERE id = ANY "
                .'(CAST(:ids AS uuid[]))',
            ['round' => " (round $round)", 'ids' => '{'.$argv[2].'}'],
        );
    });
    $published = hrtime(true);
    $application->run(new ArrayInput(['command' => 'lantern:publish', '--by' => 'bin/bench']), $said = new BufferedOutput());
    $took[] = (hrtime(true) - $published) / 1e6;
    if (!str_contains($text = $said->fetch(), 'is live')) {
        fwrite(\STDERR, $text);
    }
    usleep((int) max(0, 1_000_000 - (hrtime(true) - $begin) / 1e3));
}
sort($took);
fwrite(\STDERR, sprintf("%d releases, %.0f ms each at the median\n", count($took), $took[intdiv(count($took), 2)]));
