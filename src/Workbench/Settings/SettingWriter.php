<?php

declare(strict_types=1);

namespace Lantern\Workbench\Settings;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Query;
use Lantern\Reading\Copies\Copies;

/** Writes settings of the workbench within an edit. What is as it was stays untouched, and waits for nothing. */
final readonly class SettingWriter
{
    public function __construct(private EntityManagerInterface $entities, private Copies $copies)
    {
    }

    /** @param array<string, string> $values by setting */
    public function write(array $values): void
    {
        $there = $this->locked(array_keys($values));
        foreach ($values as $id => $value) {
            if (isset($there[$id])) {
                $there[$id]->value = $value;
            } else {
                $this->entities->persist(new SettingRecord($id, $value));
            }
        }
        $this->entities->flush();
        $this->copies->workbench->settings->forget();
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, SettingRecord> those that were ever written, by id
     */
    private function locked(array $ids): array
    {
        /** @var list<SettingRecord> $found */
        $found = $this->entities->createQuery('SELECT s FROM '.SettingRecord::class.' s WHERE s.id IN (:ids) ORDER BY s.id')
            ->setParameter('ids', $ids)->setLockMode(LockMode::PESSIMISTIC_WRITE)->setHint(Query::HINT_REFRESH, true)->getResult();

        return array_column($found, null, 'id');
    }
}
