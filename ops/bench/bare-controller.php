<?php

declare(strict_types=1);

// A controller of the storefront's application that does nothing: what its framework costs.

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\KernelEvents;

require dirname(__DIR__, 2).'/src/boot.php';

$kernel = lantern_kernel('storefront');
$kernel->boot();
$kernel->getContainer()->get('event_dispatcher')->addListener(
    KernelEvents::REQUEST,
    static fn (RequestEvent $event) => $event->getRequest()->attributes->set('_controller', static fn (): Response => new Response('ok')),
);
$request = Request::createFromGlobals();
$response = $kernel->handle($request);
$response->send();
$kernel->terminate($request, $response);
