<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\BadAddress;
use Lantern\Core\Address\Query;
use Lantern\Core\Address\ReservedAddresses;
use Lantern\Core\Answer\Answer;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Visitor;
use Lantern\Persistence\FirstLook;
use Lantern\Persistence\Neighbourhood;
use Lantern\Persistence\NodeTable;
use Lantern\Persistence\OutOfSight;

/**
 * Answers before the framework starts what can be answered with one look at this node's table of
 * addresses, or at the database: redirects to their end, and pages that were made before. By the same rules of the core, in the same words; whatever
 * needs more is left to the framework, which answers everything.
 */
final readonly class EarlyAnswer
{
    public function __construct(private FirstLook $look, private NodeTable $table, private CustomerCookie $customers)
    {
    }

    /**
     * Answers by the node's table alone, whatever the time and whoever asks: most redirects.
     *
     * @param string $target path and query as they were asked for (RFC 9112, 3.2.1)
     */
    public function byTable(string $target): ?EarlyResponse
    {
        [$path, $query] = Query::split($target);
        try {
            $address = Address::parse($path);
        } catch (BadAddress) {
            return null;
        }
        $hop = $address->path === $path ? $this->table->hop($path) : null;
        if (null === $hop) {
            return null;
        }
        [$status, $location] = $hop;

        return EarlyResponse::redirect($status, '' === $query ? $location : Query::added($location, $query), Answer::mostKept($status), $address);
    }

    /**
     * @param string $target path and query as they were asked for (RFC 9112, 3.2.1)
     * @param string $cookie of a customer, see CustomerCookie; empty: none
     * @param string $known  the header If-None-Match; empty: none
     */
    public function to(string $target, string $cookie, string $known, \DateTimeImmutable $now): ?EarlyResponse
    {
        [$path, $query] = Query::split($target);
        try {
            $address = Address::parse($path);
        } catch (BadAddress) {
            return null;
        }

        return $this->judged($address, $target, $query, new Visitor($this->customers->isValid($cookie, $now), $now), $known);
    }

    private function judged(Address $address, string $target, string $query, Visitor $visitor, string $known): ?EarlyResponse
    {
        // The front page is a place like any other; the rest of what is reserved the storefront serves by itself.
        if (!$address->isRoot() && null !== ReservedAddresses::reason($address)) {
            return null;
        }
        try {
            $around = $this->table->at($address) ?? $this->look->at($address);
            $answer = (new Answerer($around, $around))->answer($target, $visitor);
        } catch (OutOfSight|\PDOException) {
            return null;
        }

        return match (true) {
            null !== $answer->location => EarlyResponse::redirect($answer->status, $answer->location, $answer->keepFor($visitor->moment), $answer->address),
            200 === $answer->status && '' === $query => $this->page($around, $visitor, $answer, $known),
            default => null,
        };
    }

    /** @param string $known the header If-None-Match (RFC 9110, 13.1.2) */
    private function page(Neighbourhood $around, Visitor $visitor, Answer $answer, string $known): ?EarlyResponse
    {
        $kept = null === $answer->address ? null : KeptPages::get($around->version, $visitor->signedIn, $answer->address->path);
        if (null === $kept || $kept['until'] <= $visitor->moment->getTimestamp()) {
            return null;
        }
        $tags = array_map(static fn (string $tag): string => (string) preg_replace('~^W/~', '', trim($tag)), explode(',', $known));

        return '' !== $known && isset($kept['headers']['etag']) && \in_array($kept['headers']['etag'], $tags, true)
            ? new EarlyResponse(304, array_diff_key($kept['headers'], ['content-type' => '']), '', $answer->address)
            : new EarlyResponse(200, $kept['headers'], $kept['body'], $answer->address);
    }
}
