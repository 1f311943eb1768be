<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Core\Answer\Answerer;
use Lantern\Core\Answer\Step;
use Lantern\Reading\Copies\Copies;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('lantern:answer', 'Tells, as JSON, what the storefront answers at an address, and how it comes to it')]
final readonly class AnswerCommand
{
    public function __construct(private Copies $copies, private Looking $looking)
    {
    }

    public function __invoke(
        OutputInterface $output,
        #[Argument('Path, with its query if it has one')] string $path,
        #[Option('live or workbench')] string $copy = 'live',
        #[Option('guest or customer')] string $audience = 'guest',
        #[Option('A moment in ISO 8601; now where nothing is said')] string $at = '',
    ): int {
        $from = $this->copies->get($this->looking->copy($copy));
        $answer = (new Answerer($from->places, $from->rules))->answer($path, $this->looking->visitor($audience, $at));
        $place = $answer->place;
        Json::write($output, [
            'status' => $answer->status,
            'address' => $answer->address?->path,
            'location' => $answer->location,
            'trail' => array_map(
                static fn (Step $step): array => ['from' => $step->from, 'why' => $step->words(), 'to' => $step->to],
                $answer->trail,
            ),
            'place' => null === $place
                ? null
                : [
                    'id' => $place->id,
                    'kind' => $place->kind->value,
                    'title' => $place->title,
                    'address' => $place->address->path,
                    'light' => $place->light->value,
                ],
        ]);

        return Command::SUCCESS;
    }
}
