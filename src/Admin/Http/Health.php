<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;

/** Whether this node can work: for a balancer, which asks by whatever name it has. */
#[AsController]
final readonly class Health implements Page
{
    public const PATH = '/-/health';

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    #[Route(self::PATH, name: 'health', methods: ['GET', 'HEAD'])]
    public function health(): Response
    {
        try {
            $this->connection->executeQuery('SELECT 1');
        } catch (\Throwable) {
            return new Response(
                "The database does not answer.\n",
                Response::HTTP_SERVICE_UNAVAILABLE,
                ['Content-Type' => 'text/plain', 'Cache-Control' => 'no-store', 'Retry-After' => '2'],
            );
        }

        return new Response("ready\n", 200, ['Content-Type' => 'text/plain', 'Cache-Control' => 'no-store']);
    }
}
