<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

final readonly class Copies
{
    public Copy $live;
    public Copy $workbench;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.live_connection')] Connection $live,
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] Connection $workbench,
    ) {
        $this->live = new Copy(CopyName::Live, $live);
        $this->workbench = new Copy(CopyName::Workbench, $workbench);
    }

    public function get(CopyName $name): Copy
    {
        return CopyName::Live === $name ? $this->live : $this->workbench;
    }
}
