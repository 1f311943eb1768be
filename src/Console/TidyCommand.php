<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Workbench\Tidying\JournalTidier;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand(
    'lantern:tidy',
    'Ends what the journal need not keep: counts of visits after as many days as the shop says, traces of work after ninety',
)]
final readonly class TidyCommand
{
    public function __construct(private JournalTidier $tidier)
    {
    }

    public function __invoke(OutputInterface $output): int
    {
        foreach ($this->tidier->tidy() as $what => $rows) {
            $output->writeln(\sprintf('%s: %s', ucfirst($what), number_format($rows)));
        }

        return Command::SUCCESS;
    }
}
