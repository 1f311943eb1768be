<?php

declare(strict_types=1);

namespace Lantern\Console;

use Lantern\Admin\Http\ApiDescription;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('lantern:openapi', 'Prints the description of the API (OpenAPI 3) as JSON')]
final readonly class OpenApiCommand
{
    public function __construct(private ApiDescription $description)
    {
    }

    public function __invoke(OutputInterface $output): int
    {
        $output->write($this->description->json(), false, OutputInterface::OUTPUT_RAW);

        return Command::SUCCESS;
    }
}
