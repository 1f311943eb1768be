<?php

declare(strict_types=1);

namespace Lantern\Storefront\Http;

use Lantern\Node\Http\AnswerHeaders;
use Lantern\Node\News\News;
use Lantern\Reading\Sql\Away;
use Psr\Log\LoggerInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;

/** A page that cannot be made says so, and when to come again (RFC 9110, 15.6.4): where the database is away. */
// Before it is logged as an error of this program, with each request of a long night.
#[AsEventListener(priority: 16)]
final readonly class WhileAway
{
    public function __construct(
        private LoggerInterface $logger,
        #[Autowire('%kernel.project_dir%/public/storefront/away.html')] private string $page,
    ) {
    }

    public function __invoke(ExceptionEvent $event): void
    {
        $failure = $event->getThrowable();
        if (!Away::explains($failure)) {
            return;
        }
        News::away();
        $this->logger->warning('The database is away: {why}', ['why' => $failure->getMessage()]);
        $event->setResponse(new Response((string) file_get_contents($this->page), Response::HTTP_SERVICE_UNAVAILABLE, [
            'Content-Type' => 'text/html; charset=UTF-8',
            'Retry-After' => (string) Away::RETRY_AFTER,
            'Cache-Control' => 'no-store',
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'",
        ] + AnswerHeaders::safety()));
    }
}
