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
use Lantern\Persistence\OutOfSight;

/**
 * Answers before the framework starts what can be answered with one look at the database: redirects to
 * their end, and pages that were made before. By the same rules of the core, in the same words; whatever
 * needs more is left to the framework, which answers everything.
 */
final readonly class EarlyAnswer
{
    public function __construct(private FirstLook $look, private CustomerCookie $customers)
    {
    }

    /**
     * @param array<string, mixed> $server  as $_SERVER
     * @param array<mixed>         $cookies as $_COOKIE
     */
    public function to(array $server, array $cookies, \DateTimeImmutable $now): ?EarlyResponse
    {
        $method = $server['REQUEST_METHOD'] ?? '';
        $target = $server['REQUEST_URI'] ?? '';
        if (('GET' !== $method && 'HEAD' !== $method) || !\is_string($target)) {
            return null;
        }
        [$path, $query] = Query::split($target);
        try {
            $address = Address::parse($path);
        } catch (BadAddress) {
            return null;
        }
        // The front page is a place like any other; the rest of what is reserved the storefront serves by itself.
        if (!$address->isRoot() && null !== ReservedAddresses::reason($address)) {
            return null;
        }
        $cookie = $cookies[CustomerCookie::NAME] ?? '';
        $visitor = new Visitor(\is_string($cookie) && $this->customers->isValid($cookie, $now), $now);
        try {
            $around = $this->look->at($address);
            $answer = (new Answerer($around, $around))->answer($target, $visitor);
        } catch (OutOfSight|\PDOException) {
            return null;
        }

        return match (true) {
            $answer->isRedirect() => EarlyResponse::redirect($answer, $now),
            200 === $answer->status && '' === $query => $this->page($around, $visitor, $answer, $server),
            default => null,
        };
    }

    /** @param array<string, mixed> $server */
    private function page(Neighbourhood $around, Visitor $visitor, Answer $answer, array $server): ?EarlyResponse
    {
        $kept = null === $answer->address ? null : KeptPages::get($around->version, $visitor->signedIn, $answer->address->path);
        if (null === $kept || $kept['until'] <= $visitor->moment->getTimestamp()) {
            return null;
        }
        $known = $server['HTTP_IF_NONE_MATCH'] ?? '';

        return \is_string($known) && isset($kept['headers']['etag']) && \in_array($kept['headers']['etag'], array_map(static fn (string $tag): string => (string) preg_replace('~^\s*W/|\s+$~', '', trim($tag)), explode(',', $known)), true)
            ? new EarlyResponse(304, array_diff_key($kept['headers'], ['content-type' => '']), '', $answer)
            : new EarlyResponse(200, $kept['headers'], $kept['body'], $answer);
    }
}
