<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Lantern\Core\Visitor;
use Lantern\Persistence\Copy;
use Lantern\Persistence\CopyName;

/** One request to the storefront: which copy it is answered from, for whom, and under which path. */
final readonly class Visit
{
    /**
     * @param string $prefix what every link on the page begins with; empty but in a preview
     * @param string $target path and query as they were asked for, without the prefix
     */
    public function __construct(
        public Copy $copy,
        public Visitor $visitor,
        public string $prefix,
        public string $target,
        public bool $preview,
    ) {
    }

    public function isLive(): bool
    {
        return CopyName::Live === $this->copy->name && !$this->preview;
    }
}
