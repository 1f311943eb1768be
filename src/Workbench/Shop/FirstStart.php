<?php

declare(strict_types=1);

namespace Lantern\Workbench\Shop;

use Doctrine\DBAL\Connection;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Person\Role;
use Lantern\Core\Refused;
use Lantern\Core\Shop\ShopDetail;
use Lantern\Workbench\Audit\AuditLog;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\UnitOfWork;
use Lantern\Workbench\People\TeamEditor;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** A shop begins with its name and its first owner. It begins once. */
final readonly class FirstStart
{
    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private UnitOfWork $work,
        private TeamEditor $team,
        private ShopBeginning $shop,
        private AuditLog $audit,
        private Locks $locks,
    ) {
    }

    /** Whether nobody works here yet, nor is asked to. */
    public function isAwaited(): bool
    {
        return false === $this->connection->fetchOne('SELECT 1 FROM journal.person UNION ALL SELECT 1 FROM journal.invitation LIMIT 1');
    }

    /**
     * By a form, whose sender is the owner from now on.
     *
     * @throws Refused naming the field
     * @throws NotThere where it has begun already
     */
    public function begin(string $shop, string $timeZone, string $name, string $mail, #[\SensitiveParameter] string $password): void
    {
        $by = new Actor(null, $name, Role::Owner);
        $this->once($shop, $timeZone, $by, fn () => $this->team->accept($this->team->invite($mail, $name, Role::Owner, $by), $password));
    }

    /**
     * By a command, which does not know the owner's password.
     *
     * @return string the token of the owner's invitation
     *
     * @throws Refused|NotThere
     */
    public function prepare(string $shop, string $timeZone, string $name, string $mail): string
    {
        $token = '';
        $this->once($shop, $timeZone, new Actor(
            Actor::commandLine()->id,
            $name,
            Role::Owner,
        ), function () use ($name, $mail, &$token): void {
            $token = $this->team->invite($mail, $name, Role::Owner, Actor::commandLine());
        });

        return $token;
    }

    /** @param \Closure(): mixed $owner */
    private function once(string $shop, string $timeZone, Actor $by, \Closure $owner): void
    {
        $shop = ShopDetail::Name->checked($shop);
        $timeZone = ShopDetail::TimeZone->checked($timeZone);
        $this->work->run(function () use ($shop, $timeZone, $by, $owner): void {
            $this->locks->take(Lock::People);
            if (!$this->isAwaited()) {
                throw new NotThere('This shop has begun already. Sign in, or ask an owner to invite you.');
            }
            $owner();
            if (!$this->shop->isThere()) {
                $this->shop->make($shop, '' === $timeZone ? 'UTC' : $timeZone, $by);
            }
            $this->audit->add($by, 'first-start', ['shop' => $shop]);
        });
    }
}
