<?php

declare(strict_types=1);

namespace Lantern\Reading\Findings;

use Lantern\Core\Finding\Finding;

/** A finding as it is kept, with what is known of it besides. */
final readonly class FoundFinding
{
    /**
     * @param string                  $says   the sentence
     * @param int                     $visits that meet it, in 30 days
     * @param list<string>            $copies on which it stands: live, workbench
     * @param string                  $person whose edit it came with; empty where that is not known
     * @param \DateTimeImmutable|null $until  until when it is set aside; null: for good, or not at all
     */
    public function __construct(
        public Finding $finding,
        public string $says,
        public int $visits,
        public array $copies,
        public \DateTimeImmutable $since,
        public string $person,
        public bool $isSetAside = false,
        public string $reason = '',
        public string $setAsideBy = '',
        public ?\DateTimeImmutable $until = null,
    ) {
    }
}
