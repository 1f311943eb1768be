<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Workbench\Letters\PeopleLetters;
use Lantern\Workbench\People\TeamEditor;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Console\Style\SymfonyStyle;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

#[AsCommand('lantern:person:add', 'Invites somebody to work on the shop')]
final class PersonAddCommand extends Command
{
    public function __construct(
        private readonly TeamEditor $team,
        private readonly PeopleLetters $letters,
        #[Autowire(env: 'LANTERN_ADMIN_URL')] private readonly string $adminUrl,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('name', InputArgument::REQUIRED, 'that the others know')
            ->addArgument('mail', InputArgument::REQUIRED, 'which they sign in with')
            ->addArgument('role', InputArgument::REQUIRED, 'owner, publisher, editor or viewer');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $style = new SymfonyStyle($input, $output);
        try {
            [$name, $mail] = [PersonInput::text($input->getArgument('name')), PersonInput::text($input->getArgument('mail'))];
            $token = $this->team->invite($mail, $name, PersonInput::role($input->getArgument('role')), Actor::commandLine());
            $link = "$this->adminUrl/welcome/$token";
            $this->letters->invitation(trim($mail), $name, 'The command line', $link);
            $style->writeln(["$name is invited. The link works once, for three days:", $link]);
        } catch (Refused|NotThere $refused) {
            $style->getErrorStyle()->writeln($refused->getMessage());

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
