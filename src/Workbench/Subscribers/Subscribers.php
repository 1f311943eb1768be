<?php

declare(strict_types=1);

namespace Lantern\Workbench\Subscribers;

use Doctrine\DBAL\Connection;
use Lantern\Reading\Sql\Row;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Mailing\TellService;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Uid\UuidV7;

/** The lists of people who asked to be written to. Whoever asks learns nothing of who is on one. */
final readonly class Subscribers
{
    /** A link that says yes is good for so long. */
    private const GOOD_FOR = '+30 days';
    /** From one network within an hour. */
    private const MOST_ASKED = 20;
    /** No mailbox gets more letters than this within a day because somebody typed its address. */
    private const MOST_LETTERS = 3;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private MessageBusInterface $bus,
        private ClockInterface $clock,
        private Links $links,
        private Locks $locks,
        #[Autowire(env: 'APP_SECRET')] private string $secret,
    ) {
    }

    /**
     * Somebody typed an address. What is on the list already is written to as well, so that both take as long and look alike.
     *
     * @param string $network where from, see `networkOf`
     *
     * @return bool false: too many came from that network
     */
    public function ask(string $list, string $address, string $agreed, string $network): bool
    {
        $now = $this->clock->now();
        $network = substr(hash_hmac('sha256', "network $network", $this->secret), 0, 32);

        return $this->connection->transactional(function () use ($list, $address, $agreed, $network, $now): bool {
            $this->locks->take(Lock::SignUp, $network);
            $since = $now->modify('-1 hour')->format(\DATE_ATOM);
            $asked = $this->connection->fetchOne(<<<'SQL'
                SELECT count(*) FROM journal.sign_up_asked WHERE network = ? AND at > ?
                SQL, [$network, $since]);
            if (is_numeric($asked) && (int) $asked >= self::MOST_ASKED) {
                return false;
            }
            $this->connection->executeStatement('DELETE FROM journal.sign_up_asked WHERE at <= ?', [$since]);
            $this->connection->insert('journal.sign_up_asked', ['network' => $network, 'at' => $now->format(\DATE_ATOM)]);
            // The letters of a day are counted from the first of them.
            $row = $this->connection->fetchAssociative(<<<'SQL'
                INSERT INTO journal.subscriber AS s (id, list, address, state, agreed, asked_at, counted_from, letters)
                    VALUES (:id, :list, :address, 'asked', :agreed, :now, :now, 1)
                ON CONFLICT (list, address) DO UPDATE SET
                    state = CASE WHEN s.state = 'confirmed' THEN s.state ELSE 'asked' END,
                    agreed = CASE WHEN s.state = 'confirmed' THEN s.agreed ELSE excluded.agreed END,
                    letters = CASE WHEN s.counted_from > :day THEN s.letters + 1 ELSE 1 END,
                    counted_from = CASE WHEN s.counted_from > :day THEN s.counted_from ELSE excluded.counted_from END,
                    asked_at = CASE WHEN s.counted_from > :day AND s.letters >= :most THEN s.asked_at ELSE excluded.asked_at END
                RETURNING id, letters
                SQL, [
                'id' => (new UuidV7())->toRfc4122(),
                'list' => $list,
                'address' => $address,
                'agreed' => $agreed,
                'now' => $now->format(\DATE_ATOM),
                'day' => $now->modify('-1 day')->format(\DATE_ATOM),
                'most' => self::MOST_LETTERS,
            ]);
            $subscriber = new Row($row ?: []);
            if ($subscriber->int('letters') <= self::MOST_LETTERS) {
                $this->bus->dispatch(new WriteLetter($subscriber->text('id')));
            }

            return true;
        });
    }

    /** Somebody followed the link that says yes. */
    public function confirm(string $token): Outcome
    {
        return $this->connection->transactional(function () use ($token): Outcome {
            $subscriber = $this->named($token);
            // The link before this one is as unknown as one that was made up: only the latest letter counts.
            if (null === $subscriber || !$this->links->isYes($token, $subscriber)) {
                return Outcome::Unknown;
            }
            if (SubscriptionState::Confirmed === $subscriber->standing) {
                return Outcome::ConfirmedBefore;
            }
            $now = $this->clock->now();
            if (SubscriptionState::Asked !== $subscriber->standing || $now > $subscriber->askedAt->modify(self::GOOD_FOR)) {
                return Outcome::RanOut;
            }
            $this->connection->update(
                'journal.subscriber',
                ['state' => SubscriptionState::Confirmed->value, 'confirmed_at' => $now->format(\DATE_ATOM), 'left_at' => null],
                ['id' => $subscriber->id],
            );
            $this->bus->dispatch(new TellService('joined', $subscriber->list, $subscriber->address, $now->getTimestamp()));
            $this->bus->dispatch(new WriteLetter($subscriber->id));

            return Outcome::Confirmed;
        });
    }

    /** Somebody takes themselves off, by the link of any letter. */
    public function leave(string $token): Outcome
    {
        return $this->connection->transactional(function () use ($token): Outcome {
            $subscriber = $this->named($token);
            if (null === $subscriber || !$this->links->isNo($token, $subscriber)) {
                return Outcome::Unknown;
            }
            if (SubscriptionState::Left === $subscriber->standing) {
                return Outcome::LeftBefore;
            }
            $now = $this->clock->now();
            $this->connection->update(
                'journal.subscriber',
                ['state' => SubscriptionState::Left->value, 'left_at' => $now->format(\DATE_ATOM)],
                ['id' => $subscriber->id],
            );
            if (SubscriptionState::Confirmed === $subscriber->standing) {
                $this->bus->dispatch(new TellService('left', $subscriber->list, $subscriber->address, $now->getTimestamp()));
            }

            return Outcome::Left;
        });
    }

    public function get(string $id): ?Subscriber
    {
        return $this->found('WHERE id = ?', [$id])[0] ?? null;
    }

    /** @return list<ListCount> */
    public function lists(): array
    {
        return array_map(static function (array $columns): ListCount {
            $row = new Row($columns);

            return new ListCount($row->text('list'), $row->int('confirmed'), $row->int('asked'), $row->int('left_it'));
        }, $this->connection->fetchAllAssociative(<<<'SQL'
            SELECT list, count(*) FILTER (WHERE state = 'confirmed') AS confirmed, count(*) FILTER (WHERE state = 'asked') AS asked,
            count(*) FILTER (WHERE state = 'left') AS left_it FROM journal.subscriber GROUP BY list ORDER BY list
            SQL));
    }

    /**
     * Those who said yes, one after the other.
     *
     * @return iterable<Subscriber>
     */
    public function confirmed(string $list): iterable
    {
        $after = '';
        do {
            $some = $this->found("WHERE list = ? AND state = 'confirmed' AND address > ? ORDER BY address LIMIT 1000", [$list, $after]);
            yield from $some;
            $after = [] === $some ? '' : $some[\count($some) - 1]->address;
        } while ([] !== $some);
    }

    /** A network as it is counted: one address of IPv4, or the part of IPv6 that one customer is given (RFC 6177). */
    public static function networkOf(string $ip): string
    {
        $packed = @inet_pton($ip);

        return false !== $packed && 16 === \strlen($packed) ? bin2hex(substr($packed, 0, 8)) : $ip;
    }

    private function named(string $token): ?Subscriber
    {
        $id = Links::subscriberId($token);

        return null === $id ? null : $this->found('WHERE id = ? FOR UPDATE', [$id])[0] ?? null;
    }

    /**
     * @param list<string> $parameters
     *
     * @return list<Subscriber>
     */
    private function found(string $which, array $parameters): array
    {
        return array_map(static function (array $columns): Subscriber {
            $row = new Row($columns);

            return new Subscriber(
                $row->text('id'),
                $row->text('list'),
                $row->text('address'),
                SubscriptionState::from($row->text('state')),
                $row->text('agreed'),
                $row->moment('asked_at') ?? new \DateTimeImmutable(),
                $row->moment('confirmed_at'),
            );
        }, $this->connection->fetchAllAssociative("SELECT * FROM journal.subscriber $which", $parameters));
    }
}
