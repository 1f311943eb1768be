<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\ORM\EntityManagerInterface;

/** One transaction for what belongs together. What is refused in the middle leaves nothing behind, not even in memory. */
final readonly class UnitOfWork
{
    public function __construct(private EntityManagerInterface $entities)
    {
    }

    /**
     * @template T
     *
     * @param \Closure(): T $work
     *
     * @return T
     */
    public function run(\Closure $work): mixed
    {
        try {
            return $this->entities->getConnection()->transactional(function () use ($work): mixed {
                $result = $work();
                $this->entities->flush();

                return $result;
            });
        } catch (\Throwable $failure) {
            // Not the manager's own transaction: that closes it for good, and the answer still has to be read.
            $this->entities->clear();
            throw $failure;
        }
    }
}
