<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Demo\DemoLoader;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Style\SymfonyStyle;

#[AsCommand('lantern:demo', 'Fills a new database with the demo shop')]
final readonly class DemoCommand
{
    public function __construct(private DemoLoader $loader)
    {
    }

    public function __invoke(SymfonyStyle $io, #[Option('Say nothing where a shop is there already')] bool $unlessThere = false): int
    {
        if ($this->loader->isThere()) {
            if ($unlessThere) {
                return Command::SUCCESS;
            }
            $io->error('There is a shop in this database already. Make a new database, or run bin/start --reset.');

            return Command::FAILURE;
        }
        $this->loader->load();
        $io->success('The demo shop is there, and live.');

        return Command::SUCCESS;
    }
}
