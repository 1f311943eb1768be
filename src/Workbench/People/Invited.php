<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

use Lantern\Core\Person\Role;

/** Somebody who is asked to work here and has not come yet. */
final readonly class Invited
{
    public function __construct(
        public string $id,
        public string $mail,
        public string $name,
        public Role $role,
        public string $by,
        public \DateTimeImmutable $until,
    ) {
    }
}
