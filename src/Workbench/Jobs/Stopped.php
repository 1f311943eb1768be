<?php

declare(strict_types=1);

namespace Lantern\Workbench\Jobs;

/** Somebody asked a job to stop, and it did, before anything of it was kept. */
final class Stopped extends \RuntimeException
{
}
