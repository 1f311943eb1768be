<?php

declare(strict_types=1);

namespace Lantern\Core\Redirect;

/** One redirect as somebody typed it, or as a line of a file has it; nothing of it is checked yet. */
final readonly class SheetLine
{
    public const MAX_NOTE = 500;

    /** @param int $number of the line in its file, counted from 1 */
    public function __construct(
        public int $number,
        public string $source,
        public string $target,
        public string $status = '',
        public string $until = '',
        public string $note = '',
    ) {
    }

    /** The same line with another target, status or end; what is null stays. */
    public function with(?string $target, ?string $status, ?string $until): self
    {
        $status ??= $this->status;

        return new self(
            $this->number,
            $this->source,
            '410' === $status ? '' : $target ?? $this->target,
            $status,
            $until ?? $this->until,
            $this->note,
        );
    }
}
