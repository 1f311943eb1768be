<?php

declare(strict_types=1);

/* How long it takes to publish one change, a thousand, and seventy thousand, in one process that is warm; and in how much memory. */

require dirname(__DIR__, 2).'/src/boot.php';

use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Input\ArrayInput;
use Symfony\Component\Console\Output\BufferedOutput;

lantern_environment();
$kernel = lantern_kernel('admin');
$application = new Application($kernel);
$application->setAutoExit(false);
$kernel->boot();
/** @var Doctrine\DBAL\Connection $connection */
$connection = $kernel->getContainer()->get('doctrine.dbal.workbench_connection');
$failed = 0;
foreach ([[1, 20, 50], [1000, 5, 500], [70_000, 1, 30_000], [1, 5, 50]] as [$changes, $rounds, $aim]) {
    $took = [];
    for ($round = 0; $round < $rounds + 1; ++$round) {
        $connection->executeStatement(<<<SQL
            UPDATE workbench.place SET summary = summary || '.' WHERE id IN (SELECT id FROM workbench.place WHERE kind = 'product'
            ORDER BY id LIMIT $changes)
            SQL);
        $begin = hrtime(true);
        $application->run(new ArrayInput(['command' => 'lantern:publish', '--by' => 'bin/bench']), $said = new BufferedOutput());
        $milliseconds = (hrtime(true) - $begin) / 1e6;
        if (!str_contains($text = $said->fetch(), 'is live')) {
            fwrite(\STDERR, $text);
            exit(1);
        }
        // The first of several warms what the others use.
        if ($round > 0 || 1 === $rounds) {
            $took[] = $milliseconds;
        }
        if (1 === $rounds) {
            break;
        }
    }
    sort($took);
    $median = $took[intdiv(count($took), 2)];
    $failed += $median > $aim ? 1 : 0;
    printf(
        "%-62s %9.1f %9.1f %10s %-5s\n",
        'publishing '.number_format($changes).(1 === $changes ? ' change' : ' changes'),
        $median,
        end($took),
        $aim,
        $median > $aim ? 'OVER' : '',
    );
}
printf("most memory of the process that publishes: %d MB (aim: 256)\n", memory_get_peak_usage(true) / 2 ** 20);
exit($failed > 0 ? 3 : 0);
