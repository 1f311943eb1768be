<?php

declare(strict_types=1);

namespace Lantern\Core\Redirect;

/** A line with what becomes of it, and why. */
final readonly class JudgedLine
{
    /**
     * @param string $words for a person: where it will lead, or why it is refused
     * @param string $field of the line that is to be changed, where it is refused: source, target, status or until
     */
    public function __construct(
        public SheetLine $line,
        public LineOutcome $fate,
        public string $words,
        public ?Rule $rule = null,
        public string $field = 'source',
    ) {
    }
}
