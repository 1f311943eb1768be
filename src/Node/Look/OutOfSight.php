<?php

declare(strict_types=1);

namespace Lantern\Node\Look;

/** More has to be known for an answer than a first look tells. */
final class OutOfSight extends \RuntimeException
{
}
