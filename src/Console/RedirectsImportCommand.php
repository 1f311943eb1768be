<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Core\Person\Actor;
use Lantern\Core\Redirect\JudgedLine;
use Lantern\Core\Redirect\LineOutcome;
use Lantern\Core\Refused;
use Lantern\Interchange\Csv\RedirectCsv;
use Lantern\Workbench\Edits\Progress;
use Lantern\Workbench\Publishing\Publisher;
use Lantern\Workbench\Redirects\RedirectEditor;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand(
    'lantern:redirects:import',
    'Takes redirects from a CSV file (RFC 4180); the good lines go in, the others are told with their reasons',
)]
final readonly class RedirectsImportCommand
{
    private const TELL_EVERY = 10000;

    public function __construct(private RedirectEditor $editor, private Publisher $publisher)
    {
    }

    public function __invoke(
        OutputInterface $output,
        #[Argument('The CSV file, with headings such as source, target, status, until, note')] string $file,
        #[Option('Publish everything that waits, once they are in')] bool $publish = false,
        #[Option('Only tell what would become of each line')] bool $dryRun = false,
        #[Option('A file to write the refused lines to, as CSV, each with its reason')] string $refused = '',
    ): int {
        $told = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $handle = is_file($file) ? fopen($file, 'r') : false;
        if (false === $handle) {
            $told->writeln('<error>There is no such file, or it cannot be read.</error>');

            return Command::INVALID;
        }
        $progress = new Progress(static fn (
            string $step,
            int $done,
            int $of,
        ) => 0 === $done || $done === $of || 0 === $done % self::TELL_EVERY
            ? $told->writeln(\sprintf('%s: %s of %s', $step, number_format($done), number_format($of))) : null);
        try {
            $lines = array_values(iterator_to_array(RedirectCsv::read($handle), false));
            $judgement = $dryRun
                ? $this->editor->judge($lines, $progress)
                : $this->editor->take($lines, 'file', Actor::commandLine(), $progress)->judgement;
            $release = $publish && !$dryRun ? $this->publisher->publish(Actor::commandLine()) : null;
        } catch (Refused $reason) {
            $told->writeln('<error>'.$reason->getMessage().'</error>');

            return Command::FAILURE;
        }
        $refusedLines = array_values(array_filter(
            $judgement->lines,
            static fn (JudgedLine $judged): bool => LineOutcome::Refused === $judged->fate,
        ));
        if ('' !== $refused && false === @file_put_contents($refused, RedirectCsv::refused($judgement))) {
            $told->writeln(\sprintf('<error>The refused lines could not be written to %s.</error>', $refused));
        }
        Json::write($output, [
            'added' => $judgement->count(LineOutcome::Added),
            'already' => $judgement->count(LineOutcome::Already),
            'refused' => \count($refusedLines),
            'changed' => \count($judgement->changed),
            'release' => $release,
            'refusedLines' => array_map(
                static fn (JudgedLine $judged): array => [
                    'line' => $judged->line->number,
                    'source' => $judged->line->source,
                    'because' => $judged->words,
                ],
                $refusedLines,
            ),
        ]);

        return Command::SUCCESS;
    }
}
