<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ControllerEvent;

/** What a page changes itself is no news to it: its changes carry the name that the page gave itself for as long as it is open. */
#[AsEventListener]
final readonly class PageTag
{
    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    public function __invoke(ControllerEvent $event): void
    {
        $request = $event->getRequest();
        if (Routes::isApi($request) && !$request->isMethodSafe()) {
            $page = $request->headers->get('X-Page', '');
            // The connection outlives the request: what is not told apart is told to nobody's page, and not to the last one's.
            $tag = 1 === preg_match('/^[\w-]{8,64}$/D', $page) ? $page : '';
            $this->connection->executeStatement("SELECT set_config('lantern.page', ?, false)", [$tag]);
        }
    }
}
