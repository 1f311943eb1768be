<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Workbench\People\TeamEditor;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Console\Style\SymfonyStyle;

#[AsCommand('lantern:person:role', 'Gives somebody another role')]
final class PersonRoleCommand extends Command
{
    public function __construct(private readonly TeamEditor $team, private readonly PersonInput $people)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument(
            'mail',
            InputArgument::REQUIRED,
            'which they sign in with',
        )->addArgument('role', InputArgument::REQUIRED, 'owner, publisher, editor or viewer');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $style = new SymfonyStyle($input, $output);
        try {
            $role = PersonInput::role($input->getArgument('role'));
            $this->team->giveRole($this->people->idOf($input->getArgument('mail')), $role, Actor::commandLine());
            $style->writeln("Their role is $role->value now: {$role->words()}.");
        } catch (Refused|NotThere $refused) {
            $style->getErrorStyle()->writeln($refused->getMessage());

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
