<?php

declare(strict_types=1);

namespace Lantern\Storefront\Search;

use Lantern\Core\Address\SplitTarget;
use Lantern\Storefront\Http\Visit;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\RateLimiter\RateLimiterFactory;

/** A search of the shop costs more than a page; whoever searches without end waits a little. */
final readonly class SearchLimit
{
    public function __construct(
        #[Autowire(service: 'limiter.search')] private RateLimiterFactory $searches,
        #[Autowire(service: 'limiter.suggestions')] private RateLimiterFactory $suggestions,
    ) {
    }

    public function answer(Visit $visit, Request $request): ?Response
    {
        $asked = SplitTarget::of($visit->target);
        $limiter = ['/search' => $this->searches, Searches::SUGGESTIONS => $this->suggestions][$asked->path] ?? null;
        if (null === $limiter || '' === $asked->query || $visit->preview) {
            return null;
        }
        $limit = $limiter->create((string) $request->getClientIp())->consume();

        return $limit->isAccepted() ? null : new Response('You have searched very often. Wait a minute, then search again.', 429, [
            'Content-Type' => 'text/plain', 'Cache-Control' => 'no-store', 'Retry-After' => (string) max(
                1,
                $limit->getRetryAfter()->getTimestamp() - time(),
            ),
        ]);
    }
}
