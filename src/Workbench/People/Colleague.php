<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

use Lantern\Core\Person\Role;

/** Somebody who works here, or did. */
final readonly class Colleague
{
    /**
     * @param \DateTimeImmutable|null $seenAt when they last did anything
     * @param \DateTimeImmutable|null $leftAt since when they cannot sign in any more
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $mail,
        public Role $role,
        public ?\DateTimeImmutable $seenAt,
        public ?\DateTimeImmutable $leftAt,
        public int $sessions,
        public bool $hasFactor,
    ) {
    }
}
