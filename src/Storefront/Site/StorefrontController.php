<?php

declare(strict_types=1);

namespace Lantern\Storefront\Site;

use Lantern\Core\Address\Address;
use Lantern\Core\Answer\Answer;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Filter\UnderstoodFields;
use Lantern\Core\Visitor;
use Lantern\Node\Http\AnswerHeaders;
use Lantern\Node\News\Freshness;
use Lantern\Node\Pages\KeptPage;
use Lantern\Node\Pages\KeptPages;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Previews\PreviewKeys;
use Lantern\Reading\Previews\PreviewToken;
use Lantern\Storefront\Basket\BasketPage;
use Lantern\Storefront\Customer\SignInPage;
use Lantern\Storefront\Formats\OpenFormats;
use Lantern\Storefront\Http\CustomerCookie;
use Lantern\Storefront\Http\HealthPage;
use Lantern\Storefront\Http\Visit;
use Lantern\Storefront\Pages\Pages;
use Lantern\Storefront\Pages\UploadedPictures;
use Lantern\Storefront\Search\Searches;
use Lantern\Storefront\Search\SearchLimit;
use Lantern\Storefront\SignUp\SignUpPage;
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
        private ClockInterface $clock,
        private Pages $pages,
        private OpenFormats $formats,
        private UploadedPictures $pictures,
        private PreviewKeys $previews,
        private BuiltAssets $assets,
        private SignInPage $signIn,
        private BasketPage $basket,
        private SignUpPage $signUps,
        private SearchLimit $limit,
        private Searches $searches,
        private CustomerCookie $customers,
        private KeptPages $kept,
        private HealthPage $health,
        #[Autowire(env: 'APP_SECRET')] private string $secret,
        #[Autowire(env: 'LANTERN_ADMIN_URL')] private string $adminUrl,
    ) {
    }

    public function __invoke(Request $request): Response
    {
        $visit = $this->visit($request);
        $response = null === $visit ? new Response(
            'This preview has run out. Go back to the management interface and look again.',
            403,
            ['Content-Type' => 'text/plain'],
        )
            // One state of the copy for all that goes into the answer.
            : $this->health->answer($visit) ?? $visit->copy->snapshot(fn (): Response => $this->answered($visit, $request));

        return $this->secured($response, $visit, $request);
    }

    private function visit(Request $request): ?Visit
    {
        $now = $this->clock->now();
        $begun = Freshness::now();
        $target = $request->server->getString('REQUEST_URI');
        if (!str_starts_with($target, PreviewToken::BEGINS)) {
            return new Visit(
                $this->copies->live,
                new Visitor($this->customers->isSignedIn($request, $now), $now),
                '',
                $target,
                false,
                $begun,
            );
        }
        $found = PreviewToken::fromPath($target, $this->secret, $now);
        if (null === $found || !$this->previews->isOpen($found->token->key)) {
            return null;
        }

        return new Visit($this->copies->get($found->token->copy), $found->token->visitor($now), $found->prefix, $found->target, true);
    }

    private function answered(Visit $visit, Request $request): Response
    {
        return $this->formats->answer($visit, $request)
            ?? $this->pictures->answer($visit, $request)
            ?? $this->signIn->answer($visit, $request)
            ?? $this->basket->answer($visit, $request)
            ?? $this->signUps->answer($visit, $request)
            ?? $this->limit->answer($visit, $request)
            ?? $this->searches->suggest($visit, $request)
            ?? $this->answer($visit, $request);
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
        $response = $this->pages->page($visit, $answer, $request);
        if (null !== $answer->address && $this->mayBeKept($visit, $answer)) {
            $this->keep($visit, $answer->address, $response);
        }
        $response->isNotModified($request);

        return $response;
    }

    private function mayBeKept(Visit $visit, Answer $answer): bool
    {
        return $visit->isLive()
            && 200 === $answer->status
            && null !== $answer->place
            && KeptPages::keeps($answer->place->kind)
            && !UnderstoodFields::anyIn($visit->query());
    }

    private function keep(Visit $visit, Address $address, Response $response): void
    {
        $headers = [];
        foreach ($response->headers->all() as $name => $values) {
            if (!\in_array($name, ['date', 'set-cookie'], true)) {
                $headers[(string) $name] = implode(', ', $values);
            }
        }
        $now = $visit->visitor->moment;
        $until = min($visit->copy->nextChange($now)->getTimestamp(), $now->getTimestamp() + Freshness::LONGEST);
        $this->kept->keep(
            $visit->visitor->signedIn,
            $address->path,
            new KeptPage(
                $headers + AnswerHeaders::safety(styles: $this->assets->policy($visit->shown->styles)),
                (string) $response->getContent(),
                $until,
                $visit->begun,
                $visit->shown->keys(),
            ),
        );
        KeptPages::made();
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
        $response->headers->add($response->headers->has('Location') ? [
            'Referrer-Policy' => AnswerHeaders::REFERRER,
        ] : AnswerHeaders::safety(
            $ancestors,
            $this->assets->policy($visit->shown->styles ?? ''),
        ));
        if ($response instanceof BinaryFileResponse && 'application/pdf' !== $response->headers->get('Content-Type')) {
            // Nothing in a file is ever run, whatever it holds. (A browser shows a PDF only outside a sandbox.)
            $response->headers->set(
                'Content-Security-Policy',
                "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors $ancestors; sandbox",
            );
        }
        if (true === $visit?->preview) {
            $response->headers->set('X-Robots-Tag', 'noindex');
            $response->headers->set('Cache-Control', 'no-store');
            $response->headers->set('Referrer-Policy', 'no-referrer');
        }

        return $response;
    }
}
