<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Workbench\People\TeamEditor;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Console\Style\SymfonyStyle;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

#[AsCommand('lantern:person:password', 'Prints a link to a new password, for somebody whom no letter reaches')]
final class PersonPasswordCommand extends Command
{
    public function __construct(
        private readonly TeamEditor $team,
        private readonly PersonInput $people,
        #[Autowire(env: 'LANTERN_ADMIN_URL')] private readonly string $adminUrl,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('mail', InputArgument::REQUIRED, 'which they sign in with')
            ->addOption(
                'without-factor',
                null,
                InputOption::VALUE_NONE,
                'takes the second factor off, too, where device and recovery codes are lost',
            );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $style = new SymfonyStyle($input, $output);
        try {
            $token = $this->team->letIn(
                $this->people->idOf($input->getArgument('mail')),
                true === $input->getOption('without-factor'),
                Actor::commandLine(),
            );
        } catch (NotThere $refused) {
            $style->getErrorStyle()->writeln($refused->getMessage());

            return self::FAILURE;
        }
        $style->writeln(['The link works once, for an hour:', "$this->adminUrl/password/$token"]);

        return self::SUCCESS;
    }
}
