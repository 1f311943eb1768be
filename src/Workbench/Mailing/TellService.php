<?php

declare(strict_types=1);

namespace Lantern\Workbench\Mailing;

/** To be done by a worker: the shop's mailing service hears that somebody joined or left a list. */
final readonly class TellService
{
    /**
     * @param string $type joined or left
     * @param int    $at   seconds since 1970
     */
    public function __construct(public string $type, public string $list, public string $address, public int $at)
    {
    }
}
