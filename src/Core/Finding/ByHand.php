<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Refused;

/** No act mends this: a person does, where it is. */
final class ByHand extends Refused
{
    public function __construct()
    {
        parent::__construct('mend', 'This is put right by hand, where it is.');
    }
}
