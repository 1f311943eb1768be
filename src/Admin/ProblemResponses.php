<?php

declare(strict_types=1);

namespace Lantern\Admin;

use Lantern\Admin\View\Problem;
use Lantern\Core\Refused;
use Lantern\Persistence\NotThere;
use Psr\Log\LoggerInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\HttpKernel\KernelEvents;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Core\Exception\AuthenticationException;

/** Every error of the API is a problem that says what to do. */
#[AsEventListener(event: KernelEvents::EXCEPTION, priority: 10)]
final readonly class ProblemResponses
{
    public function __construct(private TokenStorageInterface $tokens, private LoggerInterface $logger)
    {
    }

    public function __invoke(ExceptionEvent $event): void
    {
        if (!str_starts_with($event->getRequest()->getPathInfo(), '/api/')) {
            return;
        }
        $problem = $this->problem($event->getThrowable());
        if (500 === $problem->status) {
            $this->logger->critical($event->getThrowable()->getMessage(), ['exception' => $event->getThrowable()]);
        }
        $event->setResponse($problem->response());
    }

    private function problem(\Throwable $error): Problem
    {
        return match (true) {
            $error instanceof Refused => new Problem(Response::HTTP_UNPROCESSABLE_ENTITY, 'Not possible like this', $error->getMessage(), $error->field),
            $error instanceof NotThere => new Problem(Response::HTTP_NOT_FOUND, 'Not there', $error->getMessage()),
            $error instanceof AuthenticationException, $error instanceof AccessDeniedException && null === $this->tokens->getToken()?->getUser() => new Problem(Response::HTTP_UNAUTHORIZED, 'Signed out', 'You are no longer signed in. Sign in again in another tab; what you typed stays here.'),
            $error instanceof AccessDeniedException => new Problem(Response::HTTP_FORBIDDEN, 'Not yours to change', 'You may look, but not change anything. Ask an owner to make you an editor.'),
            $error instanceof HttpExceptionInterface => new Problem($error->getStatusCode(), Response::$statusTexts[$error->getStatusCode()] ?? 'Error', 404 === $error->getStatusCode() ? 'There is nothing at this address of the API.' : $error->getMessage()),
            default => new Problem(Response::HTTP_INTERNAL_SERVER_ERROR, 'Something went wrong here', 'Nothing was changed. Try again; if it happens again, the log of the server says what it was.'),
        };
    }
}
