<?php

declare(strict_types=1);

namespace Lantern\Workbench\Frame;

use Doctrine\DBAL\Connection;
use Lantern\Core\Stale;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * The versions of bays (`bay:header`) and settings (`setting:notice`) of the workbench, by which two who change one of them are told of
 * each other.
 */
final readonly class FrameVersions
{
    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private Locks $locks,
    ) {
    }

    /** @return array<string, int> those that were ever written; any other has 0 */
    public function all(): array
    {
        $versions = [];
        foreach ($this->connection->fetchAllKeyValue(<<<'SQL'
            SELECT 'bay:' || id, version FROM workbench.bay UNION ALL SELECT 'setting:' || id, version FROM workbench.setting ORDER BY 1
            SQL) as $key => $version) {
            $versions[(string) $key] = is_numeric($version) ? (int) $version : 0;
        }

        return $versions;
    }

    /**
     * To be asked within the transaction that changes them: from here on nobody else does.
     *
     * @param list<string>       $keys of what is changed
     * @param array<string, int> $seen the versions that were shown
     *
     * @throws Stale where one of them is another by now
     */
    public function refuseStale(array $keys, array $seen): void
    {
        $this->locks->take(Lock::Frame);
        $this->locks->take(Lock::Settings);
        $now = $this->all();
        foreach ($keys as $key) {
            if (($now[$key] ?? 0) !== ($seen[$key] ?? 0)) {
                throw new Stale($now[$key] ?? 0);
            }
        }
    }
}
