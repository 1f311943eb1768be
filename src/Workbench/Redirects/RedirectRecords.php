<?php

declare(strict_types=1);

namespace Lantern\Workbench\Redirects;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Query;
use Lantern\Core\Address\Address;
use Lantern\Core\NotThere;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Stale;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\UuidV7;

/**
 * Redirects of the workbench to be changed one at a time, within a transaction: locked for it, and read anew. Many at once are
 * RedirectRows.
 */
final readonly class RedirectRecords
{
    public function __construct(private EntityManagerInterface $entities, private ClockInterface $clock)
    {
    }

    /**
     * @param int|null $version that a change was thought out for; null: whatever it is by now
     *
     * @throws Stale|NotThere
     */
    public function locked(string $id, ?int $version): RedirectRecord
    {
        // What is read anew loses what was changed of it and not written yet.
        $this->entities->flush();
        $redirect = $this->entities->find(RedirectRecord::class, $id, LockMode::PESSIMISTIC_WRITE) ?? throw NotThere::redirect();
        if (null !== $version && $redirect->version !== $version) {
            throw new Stale($redirect->version);
        }

        return $redirect;
    }

    /** The redirect of one address, not of all below it. */
    public function lockedOf(Address $source): ?RedirectRecord
    {
        $this->entities->flush();
        /** @var RedirectRecord|null $found */
        $found = $this->entities->createQuery('SELECT r FROM '.RedirectRecord::class.' r WHERE r.source = :source AND r.isPrefix = false')
            ->setParameter('source', $source->path)
                ->setLockMode(LockMode::PESSIMISTIC_WRITE)
                ->setHint(Query::HINT_REFRESH, true)
                ->getOneOrNullResult();

        return $found;
    }

    /** @param Rule $rule without an id of its own */
    public function add(Rule $rule, string $note = ''): void
    {
        $this->entities->persist(new RedirectRecord((new UuidV7())->toRfc4122(), $rule, 'person', $this->clock->now(), $note));
        $this->entities->flush();
    }

    public function remove(RedirectRecord $redirect): void
    {
        $this->entities->remove($redirect);
        $this->entities->flush();
    }

    /** For whoever reads redirects by SQL next. */
    public function write(): void
    {
        $this->entities->flush();
    }
}
