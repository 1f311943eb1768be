<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

use Doctrine\DBAL\Connection;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Workbench\Audit\AuditLog;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** What the owners set for those who work here. It holds at once; nothing of it is published. */
final readonly class HouseRules
{
    public const LEAST_DAYS = 30;
    public const MOST_DAYS = 3650;
    private const USUAL_DAYS = 730;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private AuditLog $audit,
    ) {
    }

    /** Whether everybody needs a second factor. */
    public function requiresFactor(): bool
    {
        return 'yes' === $this->get('second-factor');
    }

    /** How long the audit log is kept, in days. */
    public function auditDays(): int
    {
        return (int) ($this->get('audit-days') ?? self::USUAL_DAYS);
    }

    /** @throws Refused */
    public function set(bool $requiresFactor, int $auditDays, Actor $by): void
    {
        if ($auditDays < self::LEAST_DAYS || $auditDays > self::MOST_DAYS) {
            throw new Refused(
                'auditDays',
                \sprintf('What was done is kept for %d to %s days.', self::LEAST_DAYS, number_format(self::MOST_DAYS)),
            );
        }
        $this->connection->transactional(function () use ($requiresFactor, $auditDays, $by): void {
            $before = [$this->requiresFactor(), $this->auditDays()];
            $this->put('second-factor', $requiresFactor ? 'yes' : 'no');
            $this->put('audit-days', (string) $auditDays);
            if ($before[0] !== $requiresFactor) {
                $this->audit->add($by, $requiresFactor ? 'factor-required' : 'factor-not-required');
            }
            if ($before[1] !== $auditDays) {
                $this->audit->add($by, 'audit-kept', ['days' => $auditDays]);
            }
        });
    }

    public function firstStepsAreAway(): bool
    {
        return 'yes' === $this->get('first-steps-away');
    }

    public function putFirstStepsAway(bool $away): void
    {
        $this->put('first-steps-away', $away ? 'yes' : 'no');
    }

    private function get(string $name): ?string
    {
        $value = $this->connection->fetchOne('SELECT value FROM journal.house_rule WHERE name = ?', [$name]);

        return \is_string($value) ? $value : null;
    }

    private function put(string $name, string $value): void
    {
        $this->connection->executeStatement(<<<'SQL'
            INSERT INTO journal.house_rule VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET value = excluded.value
            SQL, [$name, $value]);
    }
}
