<?php

declare(strict_types=1);

namespace Lantern\Node\Http;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

/**
 * Where a page cannot be made because of a fault of this program, whoever asked gets a page all the same, and what to tell whoever runs it.
 */
// After it is logged, and before a framework says it in its own words.
#[AsEventListener(priority: -64)]
final readonly class BrokenPage
{
    public function __construct(
        private RequestId $requests,
        #[Autowire('%kernel.project_dir%/public/storefront/broken.html')] private string $page,
    ) {
    }

    public function __invoke(ExceptionEvent $event): void
    {
        $error = $event->getThrowable();
        $status = $error instanceof HttpExceptionInterface ? $error->getStatusCode() : Response::HTTP_INTERNAL_SERVER_ERROR;
        if ($event->hasResponse() || $status < 500) {
            return;
        }
        $event->setResponse(new Response(str_replace(
            '{request}',
            $this->requests->current(),
            (string) file_get_contents($this->page),
        ), $status, [
            'Content-Type' => 'text/html; charset=UTF-8',
            'Cache-Control' => 'no-store',
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'",
        ] + AnswerHeaders::safety()));
    }
}
