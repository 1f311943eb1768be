<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\Refused;
use Lantern\Persistence\Journal\Person;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\UuidV7;

/** Addresses of the shop that stand where nobody here can edit them: kept as a list, not drafted. */
final readonly class OutsideMentions
{
    private const MAX_LENGTH = 200;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private ClockInterface $clock,
    ) {
    }

    /** @throws Refused where a word is missing or too long */
    public function add(string $kind, string $name, Address $address, Person $by): string
    {
        foreach (['kind' => $kind = trim($kind), 'name' => $name = trim($name)] as $field => $value) {
            if ('' === $value || mb_strlen($value) > self::MAX_LENGTH) {
                throw new Refused($field, 'kind' === $field ? 'Say what it is, such as advertisement, printed code or profile.' : 'Give it a name that you know it by, with at most 200 characters.');
            }
        }
        $id = (new UuidV7())->toRfc4122();
        $this->connection->insert('outside_mention', ['id' => $id, 'kind' => $kind, 'name' => $name, 'address' => $address->path, 'added_at' => $this->clock->now()->format(\DATE_ATOM), 'added_by' => $by->name]);

        return $id;
    }

    /** @throws NotThere */
    public function remove(string $id): void
    {
        if (0 === $this->connection->executeStatement('DELETE FROM outside_mention WHERE id = ?', [$id])) {
            throw new NotThere('This outside mention is no longer in the list.');
        }
    }
}
