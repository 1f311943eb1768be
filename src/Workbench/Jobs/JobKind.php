<?php

declare(strict_types=1);

namespace Lantern\Workbench\Jobs;

/** Work that may take longer than anybody waits for an answer. */
enum JobKind: string
{
    case Publish = 'publish';
    case Addresses = 'addresses';
    case Redirects = 'redirects';
    case Outside = 'outside';

    public function words(): string
    {
        return match ($this) {
            self::Publish => 'Publishing',
            self::Addresses => 'Changing addresses',
            self::Outside => 'Asking other web sites',
            self::Redirects => 'Taking redirects from a file',
        };
    }
}
