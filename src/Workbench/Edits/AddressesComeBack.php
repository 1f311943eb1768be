<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

/** What the log of edits tells where places came by other addresses because an edit was taken back. */
interface AddressesComeBack
{
    /** @param list<string> $placeIds of places whose address is another since */
    public function keep(array $placeIds): void;
}
