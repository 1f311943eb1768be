<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/**
 * Whoever has a thing already is told in 304 that it is the same (RFC 9110, 15.4.5). A thing tells more than what its
 * version counts, such as titles of the places that it refers to; so its tag is its version, and a sum over all of it.
 */
#[AsEventListener(priority: -20)]
final readonly class Unchanged
{
    public function __invoke(ResponseEvent $event): void
    {
        $response = $event->getResponse();
        $request = $event->getRequest();
        if (!$response instanceof JsonResponse || 200 !== $response->getStatusCode() || !Routes::isApi($request)) {
            return;
        }
        $version = trim((string) $response->getEtag(), '"');
        $response->setEtag(('' === $version ? '' : "$version.").hash('xxh128', (string) $response->getContent()));
        if ($request->isMethodSafe()) {
            $response->isNotModified($request);
        }
    }
}
