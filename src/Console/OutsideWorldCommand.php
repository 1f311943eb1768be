<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Demo\OutsideWorld;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;

/** Serves the made-up web outside of the demo shop. */
#[AsCommand('lantern:outside-world', 'Serves a stand-in for the web outside of the demo shop, on loopback, until it is stopped')]
final readonly class OutsideWorldCommand
{
    public function __invoke(OutputInterface $output, #[Option('The port; 0: any that is free')] int $port = 8093): int
    {
        (new OutsideWorld())->serve($port, static fn (int $port) => $output->writeln("It answers on http://127.0.0.1:$port"));
    }
}
