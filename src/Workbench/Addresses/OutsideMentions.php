<?php

declare(strict_types=1);

namespace Lantern\Workbench\Addresses;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Subject;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\UuidV7;

/** Addresses of the shop that stand where nobody here can edit them: kept as a list, not drafted. */
final readonly class OutsideMentions
{
    public const MAX_LENGTH = 200;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private EditLog $edits,
        private ClockInterface $clock,
    ) {
    }

    /** @throws Refused where a word is missing or too long */
    public function add(string $kind, string $name, Address $address, Actor $by): string
    {
        foreach (['kind' => $kind = trim($kind), 'name' => $name = trim($name)] as $field => $value) {
            if ('' === $value || mb_strlen($value) > self::MAX_LENGTH) {
                throw new Refused(
                    $field,
                    'kind' === $field
                        ? 'Say what it is, such as advertisement, printed code or profile.'
                        : 'Give it a name that you know it by, with at most 200 characters.',
                );
            }
        }
        $id = (new UuidV7())->toRfc4122();
        $this->edits->run($by, Subject::Places, function () use ($id, $kind, $name, $address, $by): string {
            $this->connection->insert(
                'outside_mention',
                [
                    'id' => $id,
                    'kind' => $kind,
                    'name' => $name,
                    'address' => $address->path,
                    'added_at' => $this->clock->now()->format(\DATE_ATOM),
                    'added_by' => $by->name,
                ],
            );

            return \sprintf('The outside mention “%s”', $name);
        });

        return $id;
    }

    /** @throws NotThere */
    public function remove(string $id, Actor $by): void
    {
        $this->edits->run($by, Subject::Places, function () use ($id): string {
            $name = $this->connection->fetchOne('DELETE FROM outside_mention WHERE id = ? RETURNING name', [$id]);
            if (!\is_string($name)) {
                throw new NotThere('This outside mention is no longer in the list.');
            }

            return \sprintf('Taking “%s” off the list', $name);
        });
    }
}
