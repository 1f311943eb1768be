<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Lantern\Core\Answer\Answer;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Visitor;
use Lantern\Interchange\PreviewToken;
use Lantern\Persistence\Copies;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;

/** Answers every request to the storefront, live or in a preview. */
#[AutoconfigureTag('controller.service_arguments')]
final readonly class StorefrontController
{
    public function __construct(
        private Copies $copies,
        private ClockInterface $clock,
        private Pages $pages,
        private OpenFormats $formats,
        private SignInPage $signIn,
        private CustomerCookie $customers,
        #[Autowire(env: 'APP_SECRET')] private string $secret,
        #[Autowire(env: 'LANTERN_ADMIN_URL')] private string $adminUrl,
    ) {
    }

    public function __invoke(Request $request): Response
    {
        $visit = $this->visit($request);
        $response = null === $visit ? new Response('This preview has run out. Go back to the management interface and look again.', 403, ['Content-Type' => 'text/plain'])
            : $this->formats->answer($visit, $request) ?? $this->signIn->answer($visit, $request) ?? $this->answer($visit, $request);

        return $this->secured($response, $visit, $request);
    }

    private function visit(Request $request): ?Visit
    {
        $now = $this->clock->now();
        $target = $request->server->getString('REQUEST_URI');
        if (!str_starts_with($target, '/-/preview/')) {
            return new Visit($this->copies->live, new Visitor($this->customers->isSignedIn($request, $now), $now), '', $target, false);
        }
        $found = PreviewToken::fromPath($target, $this->secret, $now);
        if (null === $found) {
            return null;
        }
        [$token, $prefix, $rest] = $found;

        return new Visit($this->copies->get($token->copy), $token->visitor($now), $prefix, $rest, true);
    }

    private function answer(Visit $visit, Request $request): Response
    {
        $answer = (new Answerer($visit->copy->places, $visit->copy->rules))->answer($visit->target, $visit->visitor);
        if ($visit->isLive()) {
            $request->attributes->set('answer', $answer);
        }
        if ($answer->isRedirect()) {
            return $this->redirect($visit, $answer);
        }
        if (200 === $answer->status && !\in_array($request->getMethod(), ['GET', 'HEAD'], true)) {
            return new Response('This address can only be read.', 405, ['Allow' => 'GET, HEAD', 'Content-Type' => 'text/plain']);
        }
        $response = $this->pages->page($visit, $answer, $request);
        $response->isNotModified($request);

        return $response;
    }

    private function redirect(Visit $visit, Answer $answer): Response
    {
        $location = (string) $answer->location;
        $response = new Response('', $answer->status, ['Location' => (str_starts_with($location, '/') ? $visit->prefix : '').$location]);
        // A browser keeps a 301 for ever unless told otherwise, and an address may be taken back some day.
        $response->headers->set('Cache-Control', \in_array($answer->status, [301, 308], true) ? 'public, max-age=3600' : 'no-cache');

        return $response;
    }

    private function secured(Response $response, ?Visit $visit, Request $request): Response
    {
        $ancestors = true === $visit?->preview ? $this->adminUrl : "'none'";
        $response->headers->add([
            'Content-Security-Policy' => "default-src 'self'; base-uri 'none'; object-src 'none'; form-action 'self'; frame-ancestors $ancestors",
            'X-Content-Type-Options' => 'nosniff',
            'Referrer-Policy' => 'strict-origin-when-cross-origin',
            'Permissions-Policy' => 'camera=(), geolocation=(), microphone=()',
        ]);
        if ($response instanceof BinaryFileResponse && 'application/pdf' !== $response->headers->get('Content-Type')) {
            // Nothing in a file is ever run, whatever it holds. (A browser shows a PDF only outside a sandbox.)
            $response->headers->set('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors $ancestors; sandbox");
        }
        if (true === $visit?->preview) {
            $response->headers->set('X-Robots-Tag', 'noindex');
            $response->headers->set('Cache-Control', 'no-store');
            $response->headers->set('Referrer-Policy', 'no-referrer');
        }

        return $response;
    }
}
