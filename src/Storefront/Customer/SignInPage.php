<?php

declare(strict_types=1);

namespace Lantern\Storefront\Customer;

use Lantern\Core\Address\SplitTarget;
use Lantern\Storefront\Http\CustomerCookie;
use Lantern\Storefront\Http\Visit;
use Lantern\Storefront\Pages\Pages;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;

/** Where customers sign in and out: the made-up one here, those of the shop's own customer system there. */
final readonly class SignInPage
{
    /** @param string $signInUrl where the shop's own customer system signs in; empty: nobody said */
    public function __construct(
        private Pages $pages,
        private CustomerCookie $customers,
        private ClockInterface $clock,
        #[Autowire(env: 'default::LANTERN_CUSTOMER_SIGN_IN_URL')] private ?string $signInUrl,
    ) {
    }

    public function answer(Visit $visit, Request $request): ?Response
    {
        if ('/sign-in' !== SplitTarget::of($visit->target)->path) {
            return null;
        }
        if ($request->isMethod('POST') && !$visit->preview) {
            // Browsers say where a form was sent from; another site's form is not taken.
            if (!\in_array($request->headers->get('Sec-Fetch-Site', 'same-origin'), ['same-origin', 'none'], true)) {
                return new Response('Open the sign-in page of this shop and try again.', 403, ['Content-Type' => 'text/plain']);
            }
            $response = new Response('', 303, ['Location' => '/sign-in', 'Cache-Control' => 'no-store']);
            $cookie = $request->request->has('out')
                ? $this->customers->signOut($request)
                : $this->customers->signIn($request, $this->clock->now());
            if (null !== $cookie) {
                $response->headers->setCookie($cookie);
            }

            return $response;
        }
        if (!$this->customers->isStandIn() && '' !== (string) $this->signInUrl && !$visit->visitor->signedIn) {
            return new Response('', 302, ['Location' => (string) $this->signInUrl, 'Cache-Control' => 'no-store']);
        }

        return $this->pages->signIn($visit, $this->customers->isStandIn());
    }
}
