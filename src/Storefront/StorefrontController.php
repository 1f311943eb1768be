<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\Query;
use Lantern\Core\Answer\Answer;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Visitor;
use Lantern\Interchange\PreviewToken;
use Lantern\Persistence\Copies;
use Lantern\Persistence\FirstLook;
use Lantern\Persistence\NodeMemory;
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
    private const METHODS = 'GET, HEAD, OPTIONS';

    public function __construct(
        private Copies $copies,
        private FirstLook $look,
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
        if ($request->isMethod('OPTIONS')) {
            return new Response('', 204, ['Allow' => self::METHODS]);
        }
        if ($answer->isRedirect()) {
            return $this->redirect($visit, $answer);
        }
        if (200 === $answer->status && !\in_array($request->getMethod(), ['GET', 'HEAD'], true)) {
            return new Response('This address can only be read.', 405, ['Allow' => self::METHODS, 'Content-Type' => 'text/plain']);
        }
        $version = $this->versionToKeep($visit, $answer, $request);
        $response = $this->pages->page($visit, $answer, $request);
        if (null !== $version && null !== $answer->address) {
            $this->keep($version, $visit, $answer->address, $response);
        }
        $response->isNotModified($request);

        return $response;
    }

    /** Known before the page is made, so that what is published meanwhile is not kept under a name that is older. */
    private function versionToKeep(Visit $visit, Answer $answer, Request $request): ?string
    {
        $mayBeKept = NodeMemory::isThere() && $visit->isLive() && 200 === $answer->status && null !== $answer->address
            && !\in_array($answer->place?->kind, [null, PlaceKind::File, PlaceKind::Search], true) && '' === Query::split($visit->target)[1];

        return $mayBeKept ? $this->look->at($answer->address)->version : null;
    }

    private function keep(string $version, Visit $visit, Address $address, Response $response): void
    {
        $headers = [];
        foreach ($response->headers->all() as $name => $values) {
            if (!\in_array($name, ['date', 'set-cookie'], true)) {
                $headers[(string) $name] = implode(', ', $values);
            }
        }
        $now = $visit->visitor->moment;
        KeptPages::keep($version, $visit->visitor->signedIn, $address->path, $headers + AnswerHeaders::safety(), (string) $response->getContent(), $now, $this->look->nextChange($now));
    }

    private function redirect(Visit $visit, Answer $answer): Response
    {
        $location = (string) $answer->location;

        return new Response('', $answer->status, [
            'Location' => (str_starts_with($location, '/') ? $visit->prefix : '').$location,
            'Cache-Control' => AnswerHeaders::cacheControl($answer->keepFor($visit->visitor->moment)),
        ]);
    }

    private function secured(Response $response, ?Visit $visit, Request $request): Response
    {
        $ancestors = true === $visit?->preview ? $this->adminUrl : "'none'";
        // A redirect shows nothing that would have to be kept safe.
        $response->headers->add($response->headers->has('Location') ? ['Referrer-Policy' => AnswerHeaders::REFERRER] : AnswerHeaders::safety($ancestors));
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
