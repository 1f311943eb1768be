<?php

declare(strict_types=1);

namespace Lantern\Storefront\Http;

use Lantern\Core\Address\Query;
use Lantern\Core\Address\SplitTarget;
use Lantern\Core\Release\CopyName;
use Lantern\Core\Visitor;
use Lantern\Node\News\Mark;
use Lantern\Reading\Copies\Copy;

/** One request to the storefront: which copy it is answered from, for whom, and under which path. */
final readonly class Visit
{
    /**
     * @param string $prefix what every link on the page begins with; empty but in a preview
     * @param string $target path and query as they were asked for, without the prefix
     * @param Mark   $begun  when it began to read, by the clock of this node
     */
    public function __construct(
        public Copy $copy,
        public Visitor $visitor,
        public string $prefix,
        public string $target,
        public bool $preview,
        public Mark $begun = new Mark('', 0),
        public ShownThings $shown = new ShownThings(),
    ) {
    }

    /** The same visit, for something whose things are noted by themselves. */
    public function noting(ShownThings $shown): self
    {
        return new self($this->copy, $this->visitor, $this->prefix, $this->target, $this->preview, $this->begun, $shown);
    }

    /** What was asked for beside the path, without `?`. */
    public function query(): string
    {
        return SplitTarget::of($this->target)->query;
    }

    public function isLive(): bool
    {
        return CopyName::Live === $this->copy->name && !$this->preview;
    }
}
