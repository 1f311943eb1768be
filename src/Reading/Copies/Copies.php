<?php

declare(strict_types=1);

namespace Lantern\Reading\Copies;

use Doctrine\DBAL\Connection;
use Lantern\Core\Release\CopyName;
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
