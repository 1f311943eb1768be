<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

use Doctrine\DBAL\Exception\RetryableException;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\Persistence\ManagerRegistry;
use Lantern\Core\Refused;
use Lantern\Reading\Copies\Copies;

/** One transaction for what belongs together. What is refused in the middle leaves nothing behind, not even in memory. */
final readonly class UnitOfWork
{
    /** Two people at one moment may want the same; the one who comes second tries again, and finds what the first left. */
    private const TRIES = 4;

    public function __construct(private EntityManagerInterface $entities, private ManagerRegistry $managers, private Copies $copies)
    {
    }

    /**
     * @template T
     *
     * @param \Closure(): T $work may be run again from its beginning
     *
     * @return T
     *
     * @throws \Throwable what the work throws; Refused where somebody else had the same at the same moment, again and again
     */
    public function run(\Closure $work): mixed
    {
        if ($this->entities->getConnection()->isTransactionActive()) {
            return $this->once($work);
        }
        for ($try = 1;; ++$try) {
            try {
                return $this->once($work);
            } catch (UniqueConstraintViolationException|RetryableException $collision) {
                if ($try >= self::TRIES) {
                    throw self::refused($collision);
                }
                usleep(random_int(5_000, 20_000) * $try);
            }
        }
    }

    /**
     * @template T
     *
     * @param \Closure(): T $work
     *
     * @return T
     */
    private function once(\Closure $work): mixed
    {
        // What was read before may be older than what others have changed since.
        $this->copies->workbench->settings->forget();
        try {
            return $this->entities->getConnection()->transactional(function () use ($work): mixed {
                $result = $work();
                $this->entities->flush();

                return $result;
            });
        } catch (\Throwable $failure) {
            // Not the manager's own transaction: that closes it for good, and the answer still has to be read.
            if ($this->entities->isOpen()) {
                $this->entities->clear();
            } else {
                $this->managers->resetManager();
            }
            throw $failure;
        } finally {
            $this->copies->workbench->settings->forget();
        }
    }

    private static function refused(\Throwable $collision): Refused
    {
        return match (true) {
            str_contains(
                $collision->getMessage(),
                'place_address_once',
            ) => new Refused('address', 'Another place stands at this address by now. Choose another address.', $collision),
            str_contains(
                $collision->getMessage(),
                'redirect_source_once',
            ) => new Refused('source', 'Another redirect has this source by now. Look at the table again.', $collision),
            str_contains(
                $collision->getMessage(),
                'entry_pkey',
            ) => new Refused('entry', 'An entry with this id is there already. Reload the menu.', $collision),
            default => new Refused('body', 'Somebody else changes the same at this moment. Nothing was changed; try again.', $collision),
        };
    }
}
