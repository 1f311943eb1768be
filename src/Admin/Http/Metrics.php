<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Lantern\Reading\Shop\ShopMetrics;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** Numbers for whoever watches over the servers. They are there for nginx's own server on loopback, and for nobody else. */
#[AsController]
final readonly class Metrics implements Page
{
    public const PATH = '/-/metrics';

    /** Said by nginx alone: what comes with a request is called HTTP_…. */
    private const ON_LOOPBACK = 'LANTERN_ON_LOOPBACK';

    public function __construct(private ShopMetrics $metrics)
    {
    }

    #[Route(self::PATH, name: 'metrics', methods: ['GET', 'HEAD'])]
    public function metrics(Request $request): Response
    {
        if (!self::mayAsk($request)) {
            throw new NotFoundHttpException();
        }

        return new Response(
            $this->metrics->text(),
            200,
            ['Content-Type' => 'text/plain; version=0.0.4; charset=utf-8', 'Cache-Control' => 'no-store'],
        );
    }

    public static function mayAsk(Request $request): bool
    {
        return 'yes' === $request->server->get(self::ON_LOOPBACK);
    }
}
