<?php

declare(strict_types=1);

namespace Lantern\Console;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Finding\MendAnswer;
use Lantern\Core\Finding\MendKind;
use Lantern\Core\Refused;
use Lantern\Workbench\Findings\LinkCheck;
use Lantern\Workbench\Mends\Mender;
use Lantern\Workbench\People\Person;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Puts a finding of the workbench right. */
#[AsCommand('lantern:mend', 'Puts a finding of the workbench right, as an edit of somebody who may edit')]
final readonly class MendCommand
{
    public function __construct(private Mender $mender, private LinkCheck $check, private EntityManagerInterface $entities)
    {
    }

    public function __invoke(
        OutputInterface $output,
        #[Argument('Id of the finding, as lantern:check tells it')] string $finding,
        #[Argument('Id of the mend, as lantern:check --format=json tells it')] string $mend,
        #[Argument('Id of a place, or words, where the mend asks for them')] string $answer = '',
        #[Option('Mail address of whose edit it is; the first owner’s where nothing is said')] string $by = '',
    ): int {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $person = $this->entities->getRepository(Person::class)->findOneBy('' === $by ? ['role' => 'owner'] : ['mail' => $by]);
        $kind = MendKind::tryFrom($mend);
        if (null === $person || 'viewer' === $person->role || null === $kind) {
            $errors->writeln(match (true) {
                null === $kind => \sprintf('There is no mend called %s. lantern:check --format=json tells those of each finding.', $mend),
                null === $person => 'Nobody with this address works here.',
                default => \sprintf('%s may look, but not edit.', $person->name),
            });

            return Command::INVALID;
        }
        $this->check->catchUp();
        try {
            $edit = $this->mender->mend([$finding], $kind, MendAnswer::typed($kind->asks(), $answer), $person->actor());
        } catch (Refused $refused) {
            $errors->writeln($refused->getMessage());

            return Command::FAILURE;
        }
        $output->writeln($edit->sentence, OutputInterface::OUTPUT_RAW);

        return Command::SUCCESS;
    }
}
