<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Core\NotThere;
use Lantern\Core\Refused;
use Lantern\Workbench\Letters\PeopleLetters;
use Lantern\Workbench\Shop\FirstStart;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Console\Style\SymfonyStyle;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

#[AsCommand('lantern:shop', 'Begins an empty shop, and invites its first owner')]
final class ShopCommand extends Command
{
    public function __construct(
        private readonly FirstStart $first,
        private readonly PeopleLetters $letters,
        #[Autowire(env: 'LANTERN_ADMIN_URL')] private readonly string $adminUrl,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('name', InputArgument::REQUIRED, 'of the shop')
            ->addOption('owner', null, InputOption::VALUE_REQUIRED, 'mail address of the first owner')
            ->addOption('owner-name', null, InputOption::VALUE_REQUIRED, 'what the others call the owner', 'Owner')
            ->addOption('time-zone', null, InputOption::VALUE_REQUIRED, 'in which dates are typed and read', 'UTC');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $style = new SymfonyStyle($input, $output);
        [$mail, $owner] = [PersonInput::text($input->getOption('owner')), PersonInput::text($input->getOption('owner-name'))];
        try {
            if ('' === $mail) {
                throw new Refused('owner', 'Say who owns it: --owner name@shop.example');
            }
            $token = $this->first->prepare(
                PersonInput::text($input->getArgument('name')),
                PersonInput::text($input->getOption('time-zone')),
                $owner,
                $mail,
            );
        } catch (Refused|NotThere $refused) {
            $style->getErrorStyle()->writeln($refused->getMessage());

            return self::FAILURE;
        }
        $link = "$this->adminUrl/welcome/$token";
        $this->letters->invitation($mail, $owner, 'The command line', $link);
        $style->writeln(['The shop has begun. Its owner sets a password here, within three days:', $link]);

        return self::SUCCESS;
    }
}
