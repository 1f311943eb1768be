<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Core\Redirect\Fate;
use Lantern\Core\Redirect\JudgedLine;
use Lantern\Core\Refused;
use Lantern\Interchange\RedirectCsv;
use Lantern\Persistence\Publisher;
use Lantern\Persistence\RedirectEditor;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('lantern:redirects:import', 'Takes redirects from a CSV file (RFC 4180); the good lines go in, the others are told with their reasons')]
final readonly class RedirectsImportCommand
{
    public function __construct(private RedirectEditor $editor, private Publisher $publisher)
    {
    }

    public function __invoke(
        OutputInterface $output,
        #[Argument('The CSV file, with headings such as source, target, status, until, note')] string $file,
        #[Option('Publish everything that waits, once they are in')] bool $publish = false,
        #[Option('Only tell what would become of each line')] bool $dryRun = false,
    ): int {
        $progress = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $handle = is_file($file) ? fopen($file, 'r') : false;
        if (false === $handle) {
            $progress->writeln('<error>There is no such file, or it cannot be read.</error>');

            return Command::INVALID;
        }
        try {
            $lines = [];
            foreach (RedirectCsv::read($handle) as $line) {
                $lines[] = $line;
                if (0 === \count($lines) % 10000) {
                    $progress->writeln(number_format(\count($lines)).' lines read');
                }
            }
            $progress->writeln('Judging'.($dryRun ? '' : ' and storing').' '.number_format(\count($lines)).' lines');
            $judgement = $dryRun ? $this->editor->judge($lines) : $this->editor->take($lines, 'file');
            $release = $publish && !$dryRun ? $this->publisher->publish('the command line') : null;
        } catch (Refused $refused) {
            $progress->writeln('<error>'.$refused->getMessage().'</error>');

            return Command::FAILURE;
        }
        $refusedLines = array_values(array_filter($judgement->lines, static fn (JudgedLine $judged): bool => Fate::Refused === $judged->fate));
        Json::write($output, [
            'added' => $judgement->count(Fate::Added),
            'already' => $judgement->count(Fate::Already),
            'refused' => \count($refusedLines),
            'changed' => \count($judgement->changed),
            'release' => $release,
            'refusedLines' => array_map(static fn (JudgedLine $judged): array => ['line' => $judged->line->number, 'source' => $judged->line->source, 'because' => $judged->words], $refusedLines),
        ]);

        return Command::SUCCESS;
    }
}
