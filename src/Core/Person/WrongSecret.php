<?php

declare(strict_types=1);

namespace Lantern\Core\Person;

use Lantern\Core\Refused;

/** A password or a code that does not fit: refused like anything else, and counted, since it may be a guess. */
final class WrongSecret extends Refused
{
}
