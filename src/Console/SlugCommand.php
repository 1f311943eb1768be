<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Core\Address\Slug;
use Lantern\Core\Place\PlaceKind;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('lantern:slug', 'Prints, as JSON, the slug that is made from a title')]
final readonly class SlugCommand
{
    public function __invoke(
        OutputInterface $output,
        #[Argument('The title')] string $text,
        #[Option('The kind of place, whose name is the slug where nothing else is left')] string $kind = 'page',
    ): int {
        $known = PlaceKind::tryFrom($kind)
            ?? throw new InvalidArgumentException(\sprintf(
                'There is no kind “%s”. The kinds are: %s.',
                $kind,
                implode(', ', array_column(PlaceKind::cases(), 'value')),
            ));
        Json::write($output, ['slug' => Slug::fromTitle($text, $known->value)->text]);

        return Command::SUCCESS;
    }
}
