<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Interchange\Json\Navigation;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Frame\Frame;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('lantern:menu', 'Prints, as JSON, the menu in a bay as a visitor gets it, and what was left out and why')]
final readonly class MenuCommand
{
    public function __construct(private Copies $copies, private Frame $frame, private Looking $looking)
    {
    }

    public function __invoke(
        OutputInterface $output,
        #[Argument('header, or footer-1 to footer-5')] string $bay,
        #[Option('live or workbench')] string $copy = 'live',
        #[Option('guest or customer')] string $audience = 'guest',
        #[Option('A moment in ISO 8601; now where nothing is said')] string $at = '',
    ): int {
        $frame = $this->frame->of($this->copies->get($this->looking->copy($copy)), $this->looking->visitor($audience, $at));
        $hung = $frame[$bay]
            ?? throw new InvalidArgumentException(\sprintf(
                'There is no bay “%s”. The bays are: %s.',
                $bay,
                implode(', ', array_keys($frame)),
            ));
        Json::write($output, ['bay' => $bay, 'heading' => $hung->bay->heading] + Navigation::menu($hung->menu));

        return Command::SUCCESS;
    }
}
