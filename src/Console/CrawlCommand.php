<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Workbench\Crawl\Crawl;
use Lantern\Workbench\Crawl\HttpPages;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Asks the rendered shop for every page and compares with the link check. */
#[AsCommand('lantern:crawl', 'Walks over every page of the shop as visitors get it, and compares with what the link check has found')]
final readonly class CrawlCommand
{
    public function __construct(private Crawl $crawl, private HttpPages $pages, private Looking $looking)
    {
    }

    public function __invoke(OutputInterface $output, #[Option('live or workbench')] string $copy = 'live'): int
    {
        $report = $this->crawl->walk($this->looking->copy($copy), $this->pages);
        if (0 === $report->pages) {
            $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
            $errors->writeln('The shop does not answer. Start it first, and see that LANTERN_STOREFRONT_URL is where it is.');

            return Command::FAILURE;
        }
        foreach ($report->broken as $fault) {
            $output->writeln(($fault->isKnown ? 'known    ' : 'UNKNOWN  ').$fault->words(), OutputInterface::OUTPUT_RAW);
        }
        $output->writeln(\sprintf(
            '%d pages read, %d links followed; %d broken, %d of them unknown to the link check.',
            $report->pages,
            $report->links,
            \count($report->broken),
            \count($report->unknown()),
        ));

        return [] === $report->unknown() ? Command::SUCCESS : Command::FAILURE;
    }
}
