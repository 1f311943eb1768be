<?php

declare(strict_types=1);

namespace Lantern\Workbench\Frame;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Query;
use Lantern\Core\Refused;

/** Bays of the workbench to be changed within a transaction: locked for it, and read anew. */
final readonly class BayRecords
{
    public function __construct(private EntityManagerInterface $entities)
    {
    }

    /** @throws Refused where there is none */
    public function locked(string $bayId): BayRecord
    {
        return $this->find($bayId) ?? throw new Refused('bay', 'The frame has no such bay.');
    }

    /** @return BayRecord|null locked, too */
    public function find(string $bayId): ?BayRecord
    {
        // What is read anew loses what was changed of it and not written yet.
        $this->entities->flush();

        return $this->entities->find(BayRecord::class, $bayId, LockMode::PESSIMISTIC_WRITE);
    }

    /** @return list<BayRecord> in the order of the frame, where this menu hangs */
    public function whereHangs(string $menuId): array
    {
        $this->entities->flush();
        /** @var list<BayRecord> $bays */
        $bays = $this->entities->createQuery('SELECT b FROM '.BayRecord::class.' b WHERE b.menuId = :menu ORDER BY b.position')
            ->setParameter('menu', $menuId)->setLockMode(LockMode::PESSIMISTIC_WRITE)->setHint(Query::HINT_REFRESH, true)->getResult();

        return $bays;
    }

    public function add(BayRecord $bay): void
    {
        $this->entities->persist($bay);
        $this->entities->flush();
    }

    public function remove(BayRecord $bay): void
    {
        $this->entities->remove($bay);
    }
}
