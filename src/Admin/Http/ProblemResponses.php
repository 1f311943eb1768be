<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Lantern\Admin\Account\Account;
use Lantern\Core\NotThere;
use Lantern\Core\Person\SignInLevel;
use Lantern\Core\Refused;
use Lantern\Node\Http\RequestId;
use Lantern\Reading\Sql\Away;
use Psr\Log\LoggerInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\HttpKernel\KernelEvents;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Validator\Exception\ValidationFailedException;

/** Every error of the API is a problem that says what to do. */
#[AsEventListener(event: KernelEvents::EXCEPTION, priority: 10)]
final readonly class ProblemResponses
{
    public function __construct(
        private TokenStorageInterface $tokens,
        private LoggerInterface $logger,
        private SecurityLog $log,
        private RequestId $requests,
        #[Autowire('%kernel.project_dir%/public/storefront/away.html')] private string $awayPage,
    ) {
    }

    public function __invoke(ExceptionEvent $event): void
    {
        if (!Routes::wantsProblem($event->getRequest())) {
            if (Away::explains($event->getThrowable())) {
                $event->setResponse(new Response(
                    (string) file_get_contents($this->awayPage),
                    Response::HTTP_SERVICE_UNAVAILABLE,
                    [
                        'Content-Type' => 'text/html; charset=UTF-8',
                        'Retry-After' => (string) Away::RETRY_AFTER,
                        'Cache-Control' => 'no-store',
                    ],
                ));
            }

            return;
        }
        $problem = $this->problem($event->getThrowable());
        if (500 === $problem->status) {
            $this->logger->critical(
                $event->getThrowable()->getMessage(),
                ['exception' => $event->getThrowable(), 'request' => $this->requests->current()],
            );
        }
        if (403 === $problem->status) {
            $this->log->attempt('refused', ['method' => $event->getRequest()->getMethod(), 'route' => Routes::name($event->getRequest())]);
        }
        $response = $problem->response();
        if (503 === $problem->status) {
            $this->logger->warning('The database is away: {why}', ['why' => $event->getThrowable()->getMessage()]);
            $response->headers->set('Retry-After', (string) Away::RETRY_AFTER);
        }
        if ($event->getThrowable() instanceof HttpExceptionInterface) {
            // Such as Retry-After and Allow.
            $response->headers->add($event->getThrowable()->getHeaders());
        }
        $event->setResponse($response);
    }

    private function problem(\Throwable $error): Problem
    {
        $previous = $error->getPrevious();

        return match (true) {
            $error instanceof Refused => new Problem(
                Response::HTTP_UNPROCESSABLE_ENTITY,
                'Not possible like this',
                $error->getMessage(),
                $error->field,
            ),
            $error instanceof NotThere => new Problem(Response::HTTP_NOT_FOUND, 'Not there', $error->getMessage()),
            $error instanceof AuthenticationException, $error instanceof AccessDeniedException && !$this->isSignedIn() => new Problem(
                Response::HTTP_UNAUTHORIZED,
                'Signed out',
                'You are no longer signed in. Sign in again in another tab; what you typed stays here.',
            ),
            $error instanceof AccessDeniedException => new Problem(
                Response::HTTP_FORBIDDEN,
                'Not yours to change',
                'This is for people with another role. Ask an owner of the shop for it.',
            ),
            $previous instanceof ValidationFailedException => InputWords::problem($previous->getViolations()),
            Away::explains($error) => new Problem(
                Response::HTTP_SERVICE_UNAVAILABLE,
                'The database does not answer',
                'Nothing was changed, and what you typed stays here. Try again in a few seconds.',
            ),
            $error instanceof HttpExceptionInterface => new Problem(
                $error->getStatusCode(),
                Response::$statusTexts[$error->getStatusCode()] ?? 'Error',
                self::words($error),
            ),
            default => new Problem(
                Response::HTTP_INTERNAL_SERVER_ERROR,
                'Something went wrong here',
                \sprintf(
                    'Nothing was changed. Try again; if it happens again, the log of the server says what it was under %s.',
                    $this->requests->current(),
                ),
            ),
        };
    }

    private static function words(HttpExceptionInterface $error): string
    {
        return match ($error->getStatusCode()) {
            400 => 'The body of this request is missing, or is not JSON.',
            404 => 'There is nothing at this address of the API.',
            405 => 'This address of the API is not asked for in that way.',
            415 => 'The body of this request has to be JSON, and to say so in Content-Type: application/json.',
            422 => 'The body of this request is missing. Send an object with named fields.',
            default => $error->getMessage(),
        };
    }

    /** Whoever has not shown the second factor yet is nobody so far. */
    private function isSignedIn(): bool
    {
        $user = $this->tokens->getToken()?->getUser();

        return $user instanceof Account && SignInLevel::FactorAwaited !== $user->standing;
    }
}
