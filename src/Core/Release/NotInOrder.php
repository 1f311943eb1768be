<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

use Lantern\Core\Refused;

/** A state that somebody wants has faults; it is not brought about. */
final class NotInOrder extends Refused
{
    /** @param non-empty-list<Fault> $faults */
    public function __construct(string $field, public readonly array $faults)
    {
        parent::__construct($field, $faults[0]->words());
    }
}
