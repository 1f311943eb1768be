<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ResponseEvent;
use Symfony\Component\HttpKernel\KernelEvents;

/** Only scripts and styles of the program's own run in the management interface; it frames nothing but the shop. */
#[AsEventListener(event: KernelEvents::RESPONSE)]
final readonly class SecurityHeaders
{
    public function __construct(#[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl)
    {
    }

    public function __invoke(ResponseEvent $event): void
    {
        // The page itself may name a nonce, for the one style that a dialog puts in while it is open.
        $nonce = $event->getRequest()->attributes->get('style_nonce');
        $styles = "'self'".(\is_string($nonce) ? " 'nonce-$nonce'" : '');
        $headers = $event->getResponse()->headers;
        // A route that wants a stricter policy has said so; data is no page, and needs nothing.
        $policy = $headers->get('Content-Security-Policy')
            ?? (Routes::isApi($event->getRequest()) ? "default-src 'none'; frame-ancestors 'none'" : null);
        $headers->add([
            'Content-Security-Policy' => $policy
                ?? "default-src 'none'; script-src 'self'; style-src $styles; font-src 'self'; img-src 'self' data: "
                    ."{$this->storefrontUrl}; media-src {$this->storefrontUrl}; connect-src 'self'; frame-src {$this->storefrontUrl}; "
                    ."base-uri 'none'; form-action 'self'; frame-ancestors 'none'",
            'X-Content-Type-Options' => 'nosniff',
            'Referrer-Policy' => 'same-origin',
            'Permissions-Policy' => 'camera=(), geolocation=(), microphone=()',
        ]);
    }
}
