<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

use Doctrine\DBAL\Connection;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Person\InvitationRule;
use Lantern\Core\Person\MailAddress;
use Lantern\Core\Person\PasswordRule;
use Lantern\Core\Person\Role;
use Lantern\Core\Person\Team;
use Lantern\Core\Person\WrongSecret;
use Lantern\Core\Refused;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Sql\Row;
use Lantern\Workbench\Audit\AuditLog;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\UnitOfWork;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\PasswordHasher\PasswordHasherInterface;
use Symfony\Component\Uid\UuidV7;

/** Who works here: invites, gives roles, lets go. What each did stays. */
final readonly class TeamEditor
{
    /** A link to a new password is for whoever asks for it now. */
    public const LINK_HOLDS = '+1 hour';
    private const MOST_NAME = 100;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        #[Autowire(service: 'lantern.password_hasher')] private PasswordHasherInterface $hasher,
        private UnitOfWork $work,
        private OwnSessions $sessions,
        private SecondFactors $factors,
        private Copies $copies,
        private AuditLog $audit,
        private ClockInterface $clock,
        private Locks $locks,
    ) {
    }

    /** @return list<Colleague> by name */
    public function all(): array
    {
        return array_map(static function (array $columns): Colleague {
            $row = new Row($columns);

            return new Colleague(
                $row->text('id'),
                $row->text('name'),
                $row->text('mail'),
                Role::from($row->text('role')),
                $row->moment('seen_at'),
                $row->moment('left_at'),
                $row->int('sessions'),
                '' !== $row->text('factor'),
            );
        }, $this->connection->fetchAllAssociative(<<<'SQL'
            SELECT p.*, (SELECT count(*) FROM journal.own_session s WHERE s.person_id = p.id) AS sessions FROM journal.person p
            ORDER BY p.left_at IS NOT NULL, p.name COLLATE by_name, p.id
            SQL));
    }

    /** @return list<Invited> those that nobody has followed yet */
    public function invited(): array
    {
        return array_map(static function (array $columns): Invited {
            $row = new Row($columns);

            return new Invited(
                $row->text('id'),
                $row->text('mail'),
                $row->text('name'),
                Role::from($row->text('role')),
                $row->text('invited_by'),
                $row->moment('until') ?? new \DateTimeImmutable('@0'),
            );
        }, $this->connection->fetchAllAssociative('SELECT * FROM journal.invitation ORDER BY at DESC, id'));
    }

    /**
     * Whoever was invited before and has not come gets a new link; the old one ends.
     *
     * @return string the token that the link has; it is kept nowhere
     *
     * @throws Refused
     */
    public function invite(string $mail, string $name, Role $role, Actor $by): string
    {
        $mail = MailAddress::normal($mail) ?? throw new Refused('mail', 'This is no mail address. Write it like name@shop.example.');
        $name = trim((string) preg_replace('/\s+/u', ' ', $name));
        if ('' === $name || mb_strlen($name) > self::MOST_NAME) {
            throw new Refused('name', \sprintf('Write the name that the others know, in at most %d characters.', self::MOST_NAME));
        }

        return $this->work->run(function () use ($mail, $name, $role, $by): string {
            if (false !== $this->connection->fetchOne('SELECT 1 FROM journal.person WHERE mail = ? AND left_at IS NULL', [$mail])) {
                throw new Refused('mail', 'Somebody with this address works here already.');
            }
            $token = bin2hex(random_bytes(24));
            $now = $this->clock->now();
            $this->connection->executeStatement(<<<'SQL'
                INSERT INTO journal.invitation (id, mail, name, role, token_hash, invited_by, at, until)
                    VALUES (:id, :mail, :name, :role, :hash, :by, :now, :until)
                ON CONFLICT (mail) DO UPDATE
                    SET name = excluded.name, role = excluded.role, token_hash = excluded.token_hash, invited_by = excluded.invited_by, at =
                    excluded.at, until = excluded.until
                SQL, [
                'id' => (new UuidV7())->toRfc4122(),
                'mail' => $mail,
                'name' => $name,
                'role' => $role->value,
                'hash' => self::hash($token),
                'by' => $by->name,
                'now' => $now->format(\DATE_ATOM),
                'until' => $now->modify(InvitationRule::HOLDS)->format(\DATE_ATOM),
            ]);
            $this->audit->add($by, 'invited', ['mail' => $mail, 'role' => $role->value]);

            return $token;
        });
    }

    public function takeBack(string $invitationId, Actor $by): void
    {
        $this->work->run(function () use ($invitationId, $by): void {
            $mail = $this->connection->fetchOne('DELETE FROM journal.invitation WHERE id = ? RETURNING mail', [$invitationId]);
            if (!\is_string($mail)) {
                throw new NotThere('This invitation is no longer there. It may have been followed by now.');
            }
            $this->audit->add($by, 'invitation-ended', ['mail' => $mail]);
        });
    }

    /** @throws NotThere where the link was used, has ended, or never was one */
    public function invitation(string $token): Invited
    {
        $row = $this->connection->fetchAssociative(<<<'SQL'
            SELECT * FROM journal.invitation WHERE token_hash = ? AND until > ?
            SQL, [self::hash($token), $this->clock->now()->format(\DATE_ATOM)]);
        if (false === $row) {
            throw new NotThere('This invitation was used already, or is older than three days. Ask for another one.');
        }
        $row = new Row($row);

        return new Invited(
            $row->text('id'),
            $row->text('mail'),
            $row->text('name'),
            Role::from($row->text('role')),
            $row->text('invited_by'),
            $row->moment('until') ?? new \DateTimeImmutable('@0'),
        );
    }

    /**
     * Follows an invitation: once.
     *
     * @throws Refused|NotThere
     */
    public function accept(string $token, #[\SensitiveParameter] string $password): Invited
    {
        return $this->work->run(function () use ($token, $password): Invited {
            $invited = $this->invitation($token);
            PasswordRule::check($password, $this->known($invited->name, $invited->mail));
            if (1 !== (int) $this->connection->executeStatement(
                'DELETE FROM journal.invitation WHERE token_hash = ?',
                [self::hash($token)],
            )) {
                throw new NotThere('This invitation was used already, or is older than three days. Ask for another one.');
            }
            // Whoever worked here before comes back as the same person, and with nothing of what was theirs to sign in by.
            $id = $this->connection->fetchOne(<<<'SQL'
                INSERT INTO journal.person (id, name, mail, password, role) VALUES (:id, :name, :mail, :password, :role)
                ON CONFLICT (mail) DO UPDATE
                    SET name = excluded.name, password = excluded.password, role = excluded.role, left_at = NULL, factor = '',
                    factor_awaited = '', factor_step = 0, morning_mail = false, morning_mail_on = NULL
                RETURNING id
                SQL, [
                'id' => (new UuidV7())->toRfc4122(),
                'name' => $invited->name,
                'mail' => $invited->mail,
                'password' => $this->hasher->hash($password),
                'role' => $invited->role->value,
            ]);
            $id = \is_string($id) ? $id : throw new \LogicException('The person has no id.');
            $this->connection->executeStatement('DELETE FROM journal.recovery_code WHERE person_id = ?', [$id]);
            $this->endLinks($id);
            $this->audit->add(
                new Actor($id, $invited->name, $invited->role),
                'joined',
                ['mail' => $invited->mail, 'role' => $invited->role->value],
            );

            return $invited;
        });
    }

    /** @throws Refused|NotThere */
    public function giveRole(string $personId, Role $role, Actor $by): void
    {
        $this->changing($personId, $role, function (string $name, Role $before) use ($personId, $role, $by): void {
            if ($before !== $role) {
                $this->connection->executeStatement('UPDATE journal.person SET role = ? WHERE id = ?', [$role->value, $personId]);
                $this->audit->add(
                    $by,
                    'role-changed',
                    ['who' => $name, 'whoId' => $personId, 'from' => $before->value, 'to' => $role->value],
                );
            }
        });
    }

    /** They cannot sign in any more, from now on; what they did stays. */
    public function letGo(string $personId, Actor $by): void
    {
        $this->changing($personId, null, function (string $name) use ($personId, $by): void {
            $this->connection->executeStatement(
                'UPDATE journal.person SET left_at = ? WHERE id = ?',
                [$this->clock->now()->format(\DATE_ATOM), $personId],
            );
            $this->sessions->endAll($personId);
            $this->endLinks($personId);
            $this->audit->add($by, 'let-go', ['who' => $name, 'whoId' => $personId]);
        });
    }

    /** @throws Refused|NotThere */
    public function changePassword(
        string $personId,
        #[\SensitiveParameter] string $old,
        #[\SensitiveParameter] string $new,
        string $sessionId,
    ): void {
        $this->work->run(function () use ($personId, $old, $new, $sessionId): void {
            $row = $this->person($personId);
            if (!$this->hasher->verify($row->text('password'), $old)) {
                throw new WrongSecret('old', 'This is not the password that you have now.');
            }
            PasswordRule::check($new, $this->known($row->text('name'), $row->text('mail')));
            $this->connection->executeStatement(
                'UPDATE journal.person SET password = ? WHERE id = ?',
                [$this->hasher->hash($new), $personId],
            );
            $this->sessions->endAll($personId, $sessionId);
            $this->endLinks($personId);
            $this->audit->add(self::actor($row), 'password-changed');
        });
    }

    public function isPassword(string $personId, #[\SensitiveParameter] string $password): bool
    {
        $hash = $this->connection->fetchOne('SELECT password FROM journal.person WHERE id = ? AND left_at IS NULL', [$personId]);

        return \is_string($hash) && $this->hasher->verify($hash, $password);
    }

    /** Somebody has to sign in anew, everywhere, but for the session that ends them. */
    public function endSessions(string $personId, string $except, Actor $by): void
    {
        $this->work->run(function () use ($personId, $except, $by): void {
            $row = $this->person($personId);
            $this->sessions->endAll($personId, $except);
            $this->audit->add($by, 'sessions-ended', ['who' => $row->text('name'), 'whoId' => $personId]);
        });
    }

    public function works(string $mail): bool
    {
        return false !== $this->connection->fetchOne(<<<'SQL'
            SELECT 1 FROM journal.person WHERE mail = ? AND left_at IS NULL
            SQL, [mb_strtolower(trim($mail))]);
    }

    /** @return string|null the token that the link has; null where nobody with this address works here */
    public function askForPassword(string $mail): ?string
    {
        $id = $this->connection->fetchOne('SELECT id FROM journal.person WHERE mail = ? AND left_at IS NULL', [mb_strtolower(trim($mail))]);
        $token = bin2hex(random_bytes(24));
        if (!\is_string($id)) {
            return null;
        }
        $this->endLinks($id);
        $this->connection->executeStatement(
            'INSERT INTO journal.password_link VALUES (?, ?, ?)',
            [self::hash($token), $id, $this->clock->now()->modify(self::LINK_HOLDS)->format(\DATE_ATOM)],
        );

        return $token;
    }

    /**
     * By a command, for somebody whom no letter reaches: a link, and no second factor any more where that is lost, too.
     *
     * @return string the token that the link has
     *
     * @throws NotThere
     */
    public function letIn(string $personId, bool $withoutFactor, Actor $by): string
    {
        return $this->work->run(function () use ($personId, $withoutFactor, $by): string {
            $row = $this->person($personId);
            if ($withoutFactor) {
                $this->factors->takeOff($personId, $by);
                // Whoever lost the device may have lost the laptop, too.
                $this->sessions->endAll($personId);
            }
            $this->audit->add($by, 'password-link', ['who' => $row->text('name'), 'whoId' => $personId]);

            return $this->askForPassword($row->text('mail')) ?? throw new NotThere('This person does not work here any more.');
        });
    }

    public function holdsPasswordLink(string $token): bool
    {
        return false !== $this->connection->fetchOne(<<<'SQL'
            SELECT 1 FROM journal.password_link WHERE token_hash = ? AND until > ?
            SQL, [self::hash($token), $this->clock->now()->format(\DATE_ATOM)]);
    }

    /** @throws Refused|NotThere */
    public function setPassword(string $token, #[\SensitiveParameter] string $password): void
    {
        $this->work->run(function () use ($token, $password): void {
            $id = $this->connection->fetchOne(<<<'SQL'
                SELECT person_id FROM journal.password_link WHERE token_hash = ? AND until > ? FOR UPDATE
                SQL, [self::hash($token), $this->clock->now()->format(\DATE_ATOM)]);
            if (!\is_string($id)) {
                throw new NotThere('This link was used already, or is older than an hour. Ask for another one.');
            }
            $row = $this->person($id);
            PasswordRule::check($password, $this->known($row->text('name'), $row->text('mail')));
            $this->endLinks($id);
            $this->connection->executeStatement(
                'UPDATE journal.person SET password = ? WHERE id = ?',
                [$this->hasher->hash($password), $id],
            );
            $this->sessions->endAll($id);
            $this->audit->add(self::actor($row), 'password-set-by-mail');
        });
    }

    /** @return list<string> what others know of somebody, or guess first here */
    private function known(string $name, string $mail): array
    {
        return [$name, $mail, (string) strstr($mail, '@', true), $this->copies->workbench->settings->name(), 'Gentle Lantern'];
    }

    private function person(string $id): Row
    {
        $row = $this->connection->fetchAssociative('SELECT * FROM journal.person WHERE id = ? AND left_at IS NULL FOR UPDATE', [$id]);

        return false === $row ? throw new NotThere('This person does not work here any more.') : new Row($row);
    }

    /** @param \Closure(string, Role): void $change given name and role as they are */
    private function changing(string $personId, ?Role $role, \Closure $change): void
    {
        $this->work->run(function () use ($personId, $role, $change): void {
            // Two owners who remove each other at one moment come one after the other.
            $this->locks->take(Lock::People);
            $row = $this->person($personId);
            $roles = [];
            foreach ($this->connection->fetchAllKeyValue('SELECT id, role FROM journal.person WHERE left_at IS NULL') as $id => $one) {
                $roles[(string) $id] = Role::from(\is_string($one) ? $one : '');
            }
            (new Team($roles))->refuseWithoutOwner($personId, $role);
            $change($row->text('name'), Role::from($row->text('role')));
        });
    }

    private function endLinks(string $personId): void
    {
        $this->connection->executeStatement('DELETE FROM journal.password_link WHERE person_id = ?', [$personId]);
    }

    private static function actor(Row $person): Actor
    {
        return new Actor($person->text('id'), $person->text('name'), Role::from($person->text('role')));
    }

    private static function hash(string $token): string
    {
        return hash('sha256', $token);
    }
}
