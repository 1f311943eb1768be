<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

use Symfony\Component\Uid\UuidV7;

/** To be done by a worker, so that an address that somebody has takes as long as one that nobody has: a link to a new password is sent. */
final readonly class PasswordWanted
{
    public string $id;

    public function __construct(public string $mail)
    {
        $this->id = (new UuidV7())->toRfc4122();
    }
}
