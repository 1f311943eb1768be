<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

/** To be done by a worker: what changed or came of age is looked at, whether or not anybody asks, and so is what nobody waits for. */
final readonly class KeepUp
{
}
