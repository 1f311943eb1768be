<?php

declare(strict_types=1);

namespace Lantern\Workbench\MorningMail;

use Doctrine\DBAL\Connection;
use Lantern\Core\Person\Actor;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Who wants to be told in the morning what broke. */
final readonly class MorningMails
{
    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    public function isWantedBy(Actor $person): bool
    {
        return false !== $this->connection->fetchOne('SELECT 1 FROM journal.person WHERE id = ? AND morning_mail', [$person->personId()]);
    }

    public function want(Actor $person, bool $wanted): void
    {
        $this->connection->executeStatement(<<<'SQL'
            UPDATE journal.person SET morning_mail = CAST(? AS boolean) WHERE id = ?
            SQL, [$wanted ? 'true' : 'false', $person->personId()]);
    }
}
