<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Core\Release\CopyName;
use Lantern\Interchange\Csv\RedirectExport;
use Lantern\Reading\Answers\StraightRedirects;
use Lantern\Reading\Redirects\RedirectTable;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('lantern:redirects:export', 'Writes all redirects to standard output')]
final readonly class RedirectsExportCommand
{
    public function __construct(private RedirectTable $table, private StraightRedirects $straight)
    {
    }

    public function __invoke(
        OutputInterface $output,
        #[Option('csv (RFC 4180), json, or nginx (lines of a map)')] string $format = 'csv',
        #[Option('workbench, or live, as visitors have them')] string $copy = 'workbench',
    ): int {
        if (!isset(RedirectExport::TYPES[$format])) {
            $output->writeln('<error>The format is csv, json or nginx.</error>');

            return Command::INVALID;
        }
        $name = CopyName::tryFrom($copy);
        if (null === $name) {
            $output->writeln('<error>The copy is workbench or live.</error>');

            return Command::INVALID;
        }
        foreach (RedirectExport::write($format, 'nginx' === $format ? $this->straight->all($name) : $this->table->all($name)) as $part) {
            $output->write($part, false, OutputInterface::OUTPUT_RAW);
        }

        return Command::SUCCESS;
    }
}
