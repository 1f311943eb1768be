<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

/** A part of the shop that is looked at as a whole. */
interface Examinable
{
    /** Such as `words:` with the id of a place. */
    public function key(): string;

    public function examine(Examination $examination): void;
}
