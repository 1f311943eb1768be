<?php

declare(strict_types=1);

namespace Lantern\Console;

use Symfony\Component\Console\Output\OutputInterface;

/** Standard output for people who script. */
final class Json
{
    /** @param array<string, mixed> $data */
    public static function write(OutputInterface $output, array $data): void
    {
        $output->writeln(
            json_encode(
                $data,
                \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES
                    | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE,
            ),
            OutputInterface::OUTPUT_RAW,
        );
    }
}
