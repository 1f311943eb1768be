<?php

declare(strict_types=1);

namespace Lantern\Workbench\MorningMail;

/** To be done by a worker: whoever wants it is told what broke since yesterday. */
final readonly class TellOfTheMorning
{
}
