<?php

declare(strict_types=1);

namespace Lantern\Node\Early;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\BadAddress;
use Lantern\Core\Address\Query;
use Lantern\Core\Address\ReservedAddresses;
use Lantern\Core\Address\SplitTarget;
use Lantern\Core\Answer\Answer;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Filter\UnderstoodFields;
use Lantern\Core\Visitor;
use Lantern\Node\Customers\CustomerIdentity;
use Lantern\Node\Look\FirstLook;
use Lantern\Node\Look\Neighbourhood;
use Lantern\Node\Look\OutOfSight;
use Lantern\Node\Memory\NodeMemory;
use Lantern\Node\News\News;
use Lantern\Node\Pages\KeptPage;
use Lantern\Node\Pages\KeptPages;
use Lantern\Node\Table\NodeTable;

/**
 * Answers before the framework starts what can be answered with one look at this node's table of
 * addresses, or at the database: redirects to their end, and pages that were made before. By the same rules of the core, in the same words;
 * whatever
 * needs more is left to the framework, which answers everything.
 */
final readonly class EarlyAnswer
{
    public function __construct(
        private FirstLook $look,
        private News $news,
        private NodeTable $table,
        private KeptPages $pages,
        private CustomerIdentity $customers,
    ) {
    }

    /**
     * Answers by the node's table alone, whatever the time and whoever asks: most redirects.
     *
     * @param string $target path and query as they were asked for (RFC 9112, 3.2.1)
     */
    public function byTable(string $target): ?EarlyResponse
    {
        $asked = SplitTarget::of($target);
        try {
            $address = Address::parse($asked->path);
        } catch (BadAddress) {
            return null;
        }
        $hop = $address->path === $asked->path ? $this->table->hop($asked->path) : null;
        if (null === $hop) {
            return null;
        }

        return EarlyResponse::redirect(
            $hop->status,
            '' === $asked->query ? $hop->location : Query::added($hop->location, $asked->query),
            Answer::mostKept($hop->status),
            $address,
        );
    }

    /**
     * @param string $target path and query as they were asked for (RFC 9112, 3.2.1)
     * @param string $cookie of a customer, see CustomerIdentity; empty: none
     * @param string $known  the header If-None-Match; empty: none
     */
    public function to(string $target, string $cookie, string $known, \DateTimeImmutable $now): ?EarlyResponse
    {
        $asked = SplitTarget::of($target);
        try {
            $address = Address::parse($asked->path);
        } catch (BadAddress) {
            return null;
        }

        return $this->judged($address, $target, $asked->query, new Visitor($this->customers->holds($cookie, $now), $now), $known);
    }

    private function judged(Address $address, string $target, string $query, Visitor $visitor, string $known): ?EarlyResponse
    {
        // The front page is a place like any other; the rest of what is reserved the storefront serves by itself.
        if (!$address->isRoot() && null !== ReservedAddresses::reason($address)) {
            return null;
        }
        try {
            $around = $this->table->at($address) ?? $this->look($address);
            $answer = (new Answerer($around, $around))->answer($target, $visitor);
        } catch (OutOfSight) {
            return null;
        } catch (\PDOException) {
            // Nobody can be asked what stands there: what stood there a moment ago is better than nothing.
            $kept = $this->pages->get($visitor->signedIn, $address->path);

            return null === $kept || UnderstoodFields::anyIn($query) ? null : self::given($kept, $known, $address);
        }

        return match (true) {
            null !== $answer->location => EarlyResponse::redirect(
                $answer->status,
                $answer->location,
                $answer->keepFor($visitor->moment),
                $answer->address,
            ),
            200 === $answer->status && !UnderstoodFields::anyIn($query) && null !== $answer->place && KeptPages::keeps(
                $answer->place->kind,
            ) => $this->page(
                $visitor,
                $address,
                $known,
            ),
            default => null,
        };
    }

    /** @throws \PDOException */
    private function look(Address $address): Neighbourhood
    {
        if (News::isAway()) {
            throw new \PDOException('The database was away a moment ago.');
        }
        try {
            return $this->look->at($address);
        } catch (\PDOException $away) {
            News::away();

            throw $away;
        }
    }

    /** @param string $known the header If-None-Match (RFC 9110, 13.1.2) */
    private function page(Visitor $visitor, Address $address, string $known): ?EarlyResponse
    {
        if (!NodeMemory::isThere()) {
            return null;
        }
        // What changed since is noted by whoever asks, once a second.
        $this->news->latest();
        $kept = $this->pages->get($visitor->signedIn, $address->path);
        if (true === $kept?->isFresh($visitor->moment)) {
            return self::given($kept, $known, $address);
        }
        if (
            !News::isAway()
            && $this->pages->isToBeMadeHere(
                $visitor->signedIn,
                $address->path,
                fn (): bool => null !== ($kept ??= $this->pages->get($visitor->signedIn, $address->path)),
            )
        ) {
            // Another may have made it between the look and the lock.
            $again = $this->pages->get($visitor->signedIn, $address->path);
            if (true !== $again?->isFresh($visitor->moment)) {
                return null;
            }
            KeptPages::made();
            $kept = $again;
        }

        return null === $kept ? null : self::given($kept, $known, $address);
    }

    private static function given(KeptPage $kept, string $known, Address $address): EarlyResponse
    {
        $tags = array_map(static fn (string $tag): string => (string) preg_replace('~^W/~', '', trim($tag)), explode(',', $known));

        return '' !== $known && isset($kept->headers['etag']) && \in_array($kept->headers['etag'], $tags, true)
            ? new EarlyResponse(304, array_diff_key($kept->headers, ['content-type' => '']), '', $address)
            : new EarlyResponse(200, $kept->headers, $kept->body, $address);
    }
}
