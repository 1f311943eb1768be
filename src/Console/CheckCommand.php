<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Core\Finding\Mend;
use Lantern\Core\Finding\Mends;
use Lantern\Core\Release\CopyName;
use Lantern\Reading\Findings\CopyFilter;
use Lantern\Reading\Findings\FindingTable;
use Lantern\Reading\Findings\FoundFinding;
use Lantern\Workbench\Edits\Progress;
use Lantern\Workbench\Findings\Inspection;
use Lantern\Workbench\OutsideLinks\OutsideLinks;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Exception\InvalidOptionException;
use Symfony\Component\Console\Output\OutputInterface;

/** Tells what is wrong in the shop, for people and for scripts. */
#[AsCommand('lantern:check', 'Tells what is wrong in the shop, a line for each finding')]
final readonly class CheckCommand
{
    public function __construct(
        private Inspection $inspection,
        private FindingTable $table,
        private OutsideLinks $outside,
        private Looking $looking,
    ) {
    }

    public function __invoke(
        OutputInterface $output,
        #[Option('live or workbench')] string $copy = 'live',
        #[Option('json (a line of JSON for each) or text')] string $format = 'text',
        #[Option('broken or any: ends with 1 where there is such')] string $failOn = '',
        #[Option('Asks other web sites first, those whose turn it is')] bool $outside = false,
    ): int {
        if (!\in_array($format, ['json', 'text'], true)) {
            throw new InvalidOptionException('--format is json or text.');
        }
        if (!\in_array($failOn, ['', 'broken', 'any'], true)) {
            throw new InvalidOptionException('--fail-on is broken or any.');
        }
        $name = $this->looking->copy($copy);
        if ($outside) {
            $this->outside->ask(new Progress());
        }
        if (!$this->inspection->catchUp($name)) {
            $this->inspection->walk($name);
        }
        $this->inspection->refreshDistances($name);
        $wrong = false;
        foreach ($this->table->all(CopyName::Live === $name ? CopyFilter::Live : CopyFilter::Workbench) as $found) {
            $wrong = $wrong || 'any' === $failOn || 'broken' === $failOn && $found->finding->kind->isBroken();
            $output->writeln('json' === $format ? self::json($found) : self::text($found), OutputInterface::OUTPUT_RAW);
        }

        return $wrong ? Command::FAILURE : Command::SUCCESS;
    }

    private static function json(FoundFinding $found): string
    {
        $subject = $found->finding->subject;

        return json_encode([
            'id' => $found->finding->id,
            'kind' => $found->finding->kind->value,
            'broken' => $found->finding->kind->isBroken(),
            'subject' => ['type' => $subject->type->value, 'id' => $subject->id, 'name' => $subject->name],
            'says' => $found->says,
            'visits' => $found->visits,
            'copies' => $found->copies,
            'since' => $found->since->format(\DATE_ATOM),
            'mends' => array_map(
                static fn (Mend $one): array => ['id' => $one->kind->value, 'says' => $one->says, 'asks' => $one->kind->asks()->value],
                Mends::of($found->finding),
            ),
        ], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE);
    }

    private static function text(FoundFinding $found): string
    {
        return \sprintf(
            '%s %s  %s: %s%s',
            $found->finding->kind->isBroken() ? '✕' : '◦',
            $found->finding->id,
            $found->finding->subject->name,
            $found->says,
            $found->visits > 0 ? " ({$found->visits} visits)" : '',
        );
    }
}
