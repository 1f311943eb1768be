<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Core\Person\Actor;
use Lantern\Core\Release\NotInOrder;
use Lantern\Workbench\Publishing\Publisher;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('lantern:publish', 'Publishes everything that waits, however much it is')]
final class PublishCommand extends Command
{
    public function __construct(private readonly Publisher $publisher)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('by', null, InputOption::VALUE_REQUIRED, 'Who is told to have published it', 'the command line');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $by = $input->getOption('by');
        $begin = hrtime(true);
        try {
            $number = $this->publisher->publish(Actor::commandLine(\is_string($by) ? $by : ''));
        } catch (NotInOrder $refused) {
            $output->writeln("<error>{$refused->getMessage()}</error>");

            return self::FAILURE;
        }
        $output->writeln(null === $number ? 'Nothing waits.' : \sprintf(
            'Release %d is live, after %.0f ms; %d MB.',
            $number,
            (hrtime(true) - $begin) / 1e6,
            memory_get_peak_usage(true) / 2 ** 20,
        ));

        return self::SUCCESS;
    }
}
