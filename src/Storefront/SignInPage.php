<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Lantern\Core\Address\Query;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;

/** Where the made-up customer signs in and out (see CustomerCookie). */
final readonly class SignInPage
{
    public function __construct(private Pages $pages, private CustomerCookie $customers, private ClockInterface $clock)
    {
    }

    public function answer(Visit $visit, Request $request): ?Response
    {
        if ('/sign-in' !== Query::split($visit->target)[0]) {
            return null;
        }
        if ($request->isMethod('POST') && !$visit->preview) {
            // Browsers say where a form was sent from; another site's form is not taken.
            if (!\in_array($request->headers->get('Sec-Fetch-Site', 'same-origin'), ['same-origin', 'none'], true)) {
                return new Response('Open the sign-in page of this shop and try again.', 403, ['Content-Type' => 'text/plain']);
            }
            $response = new Response('', 303, ['Location' => '/sign-in', 'Cache-Control' => 'no-store']);
            $response->headers->setCookie($request->request->has('out')
                ? $this->customers->signOut($request)
                : $this->customers->signIn($request, $this->clock->now()));

            return $response;
        }

        return $this->pages->signIn($visit);
    }
}
