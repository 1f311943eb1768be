<?php

declare(strict_types=1);

namespace Lantern\Workbench\Jobs;

/** Work that may take longer than anybody waits for an answer. */
enum JobKind: string
{
    case Publish = 'publish';
    case Addresses = 'addresses';
    case Redirects = 'redirects';

    public function words(): string
    {
        return match ($this) {
            self::Publish => 'Publishing',
            self::Addresses => 'Changing addresses',
            self::Redirects => 'Taking redirects from a file',
        };
    }
}
