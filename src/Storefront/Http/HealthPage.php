<?php

declare(strict_types=1);

namespace Lantern\Storefront\Http;

use Lantern\Core\Address\SplitTarget;
use Lantern\Reading\Sql\Away;
use Symfony\Component\HttpFoundation\Response;

/** Whether this node can make pages of the last release: for a balancer. */
final readonly class HealthPage
{
    private const PATH = '/-/health';
    private const HEADERS = ['Content-Type' => 'text/plain', 'Cache-Control' => 'no-store'];

    public function answer(Visit $visit): ?Response
    {
        if (self::PATH !== SplitTarget::of($visit->target)->path || $visit->preview) {
            return null;
        }
        try {
            $visit->copy->settings->forget();
            $visit->copy->settings->all();
        } catch (\Throwable $error) {
            return Away::explains($error)
                ? new Response(
                    "The database does not answer.\n",
                    Response::HTTP_SERVICE_UNAVAILABLE,
                    ['Retry-After' => (string) Away::RETRY_AFTER] + self::HEADERS,
                )
                : throw $error;
        }

        return new Response("ready\n", 200, self::HEADERS);
    }
}
