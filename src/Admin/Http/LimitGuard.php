<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Psr\Container\ContainerInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\DependencyInjection\Attribute\AutowireLocator;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;
use Symfony\Component\RateLimiter\RateLimiterFactory;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;

/** Holds back whoever asks for costly work again and again. */
#[AsEventListener]
final readonly class LimitGuard
{
    public function __construct(
        #[AutowireLocator([
            'preview' => new Autowire(service: 'limiter.preview'),
            'upload' => new Autowire(service: 'limiter.upload'),
            'import' => new Autowire(service: 'limiter.import'),
            'answers' => new Autowire(service: 'limiter.answers'),
        ])] private ContainerInterface $limiters,
        private TokenStorageInterface $tokens,
    ) {
    }

    public function __invoke(ControllerEvent $event): void
    {
        foreach ($event->getAttributes(Limited::class) as $limited) {
            $limiter = $this->limiters->get($limited->what->value);
            if (!$limiter instanceof RateLimiterFactory) {
                continue;
            }
            $limit = $limiter->create($this->tokens->getToken()?->getUserIdentifier())->consume();
            if (!$limit->isAccepted()) {
                $seconds = max(1, $limit->getRetryAfter()->getTimestamp() - time());
                throw new TooManyRequestsHttpException(
                    $seconds,
                    \sprintf('This was asked for very often. Wait %d seconds, then go on. Nothing was lost.', $seconds),
                );
            }
        }
    }
}
