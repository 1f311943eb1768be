<?php

declare(strict_types=1);

namespace Lantern\Workbench\OutsideLinks;

/** To be done by a worker: a job is begun that asks other web sites. */
final readonly class CheckOutsideLinks
{
}
