<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

use Doctrine\DBAL\Connection;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Person\RecoveryCode;
use Lantern\Core\Person\Role;
use Lantern\Core\Person\Totp;
use Lantern\Core\Person\WrongSecret;
use Lantern\Core\Refused;
use Lantern\Reading\Sql\Row;
use Lantern\Workbench\Audit\AuditLog;
use Lantern\Workbench\Edits\UnitOfWork;
use Psr\Clock\ClockInterface;
use Random\Randomizer;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The codes that a device makes, and those on paper for when it is lost. */
final readonly class SecondFactors
{
    private const WRONG = 'This code does not fit. Take the one that your device shows now; each works once, and its clock may be off by a '
        .'minute at most.';

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private UnitOfWork $work,
        private Secrets $secrets,
        private HouseRules $rules,
        private AuditLog $audit,
        private ClockInterface $clock,
    ) {
    }

    public function has(string $personId): bool
    {
        return '' !== $this->row($personId)->text('factor');
    }

    /** How many codes on paper are left. */
    public function codesLeft(string $personId): int
    {
        $count = $this->connection->fetchOne('SELECT count(*) FROM journal.recovery_code WHERE person_id = ?', [$personId]);

        return is_numeric($count) ? (int) $count : 0;
    }

    /** A new secret, which holds as soon as a code of it was typed; until then what was there holds. */
    public function begin(string $personId): Totp
    {
        $totp = new Totp(random_bytes(20));
        $this->connection->executeStatement(
            'UPDATE journal.person SET factor_awaited = ? WHERE id = ?',
            [$this->secrets->lock($totp->base32()), $personId],
        );

        return $totp;
    }

    /**
     * @return list<string> the codes for when the device is lost; they are shown once
     *
     * @throws Refused
     */
    public function confirm(string $personId, string $code): array
    {
        return $this->work->run(function () use ($personId, $code): array {
            $row = $this->row($personId, ' FOR UPDATE');
            $totp = $this->totp($row->text('factor_awaited'))
                ?? throw new Refused('code', 'Begin again: the picture that this code is of is no longer there.');
            $step = $totp->accepted($code, $this->clock->now()) ?? throw new WrongSecret('code', self::WRONG);
            $this->connection->executeStatement(<<<'SQL'
                UPDATE journal.person SET factor = factor_awaited, factor_awaited = '', factor_step = ? WHERE id = ?
                SQL, [$step, $personId]);
            $this->audit->add(self::actor($row), 'factor-set');

            return $this->newCodes($personId);
        });
    }

    /** @return bool whether it is a code of the device, or one from paper; each is taken once */
    public function accept(string $personId, #[\SensitiveParameter] string $code): bool
    {
        return $this->work->run(function () use ($personId, $code): bool {
            $row = $this->row($personId, ' FOR UPDATE');
            $step = $this->totp($row->text('factor'))?->accepted($code, $this->clock->now(), $row->int('factor_step'));
            if (null !== $step) {
                $this->connection->executeStatement('UPDATE journal.person SET factor_step = ? WHERE id = ?', [$step, $personId]);

                return true;
            }
            if (1 !== (int) $this->connection->executeStatement(<<<'SQL'
                DELETE FROM journal.recovery_code WHERE person_id = ? AND code_hash = ?
                SQL, [$personId, RecoveryCode::hash($code)])) {
                return false;
            }
            $this->audit->add(self::actor($row), 'recovery-code-used', ['left' => $this->codesLeft($personId)]);

            return true;
        });
    }

    /**
     * @return list<string> those made before hold no longer
     *
     * @throws Refused
     */
    public function renewCodes(string $personId, string $code): array
    {
        return $this->work->run(function () use ($personId, $code): array {
            if (!$this->accept($personId, $code)) {
                throw new WrongSecret('code', self::WRONG);
            }
            $this->audit->add(self::actor($this->row($personId)), 'recovery-codes-renewed');

            return $this->newCodes($personId);
        });
    }

    /** @throws Refused where everybody needs one */
    public function remove(string $personId, Actor $by): void
    {
        if ($this->rules->requiresFactor()) {
            throw new Refused('code', 'Everybody here needs a second factor. Set up a new one instead; it takes the place of this.');
        }
        $this->takeOff($personId, $by);
    }

    /** For somebody who has lost the device and the paper; where one is required they get a new one when they sign in. */
    public function takeOff(string $personId, Actor $by): void
    {
        $this->work->run(function () use ($personId, $by): void {
            $row = $this->row($personId, ' FOR UPDATE');
            $this->connection->executeStatement(<<<'SQL'
                UPDATE journal.person SET factor = '', factor_awaited = '', factor_step = 0 WHERE id = ?
                SQL, [$personId]);
            $this->connection->executeStatement('DELETE FROM journal.recovery_code WHERE person_id = ?', [$personId]);
            $this->audit->add($by, 'factor-removed', ['who' => $row->text('name'), 'whoId' => $personId]);
        });
    }

    private static function actor(Row $person): Actor
    {
        return new Actor($person->text('id'), $person->text('name'), Role::from($person->text('role')));
    }

    /** @return list<string> */
    private function newCodes(string $personId): array
    {
        $codes = RecoveryCode::batch(new Randomizer());
        $this->connection->executeStatement('DELETE FROM journal.recovery_code WHERE person_id = ?', [$personId]);
        foreach ($codes as $code) {
            $this->connection->executeStatement('INSERT INTO journal.recovery_code VALUES (?, ?)', [$personId, RecoveryCode::hash($code)]);
        }

        return $codes;
    }

    private function totp(string $locked): ?Totp
    {
        return '' === $locked ? null : Totp::fromBase32($this->secrets->open($locked) ?? '');
    }

    private function row(string $personId, string $how = ''): Row
    {
        $row = $this->connection->fetchAssociative("SELECT * FROM journal.person WHERE id = ? AND left_at IS NULL$how", [$personId]);

        return false === $row ? throw new NotThere('This person does not work here any more.') : new Row($row);
    }
}
