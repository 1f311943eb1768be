<?php

declare(strict_types=1);

namespace Lantern\Workbench\Audit;

final readonly class AuditEntry
{
    /**
     * @param string|null           $personId null: nobody who works here
     * @param string                $person   as the person was called then
     * @param array<string, string> $about
     */
    public function __construct(
        public int $id,
        public \DateTimeImmutable $at,
        public ?string $personId,
        public string $person,
        public string $what,
        public array $about,
        public string $network,
    ) {
    }
}
