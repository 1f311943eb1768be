<?php

declare(strict_types=1);

namespace Lantern\Admin;

use Lantern\Admin\View\DoneView;
use Lantern\Admin\View\Problem;
use Lantern\Core\Address\Address;
use Lantern\Core\Refused;
use Lantern\Core\Visitor;
use Lantern\Persistence\Fields;
use Lantern\Persistence\Journal\Edit;
use Lantern\Persistence\Stale;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\BadRequestHttpException;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** What the resources of the API have in common: bodies, versions, visitors. */
#[OA\Info(version: '1.0', title: 'Gentle Lantern', description: 'What the management interface is made with. Changes need the session of a person who may edit, and the header X-CSRF-Token; a changed thing is named by If-Match.')]
final readonly class Api
{
    public function __construct(private ClockInterface $clock)
    {
    }

    public function body(Request $request): Fields
    {
        try {
            return Fields::of(json_decode($request->getContent(), true, 64, \JSON_THROW_ON_ERROR));
        } catch (\JsonException) {
            throw new BadRequestHttpException('The body of this request is not JSON.');
        }
    }

    /** The version that a change was thought out for (RFC 9110, 13.1.1). */
    public function version(Request $request): int
    {
        if (1 !== preg_match('/^"(\d+)"$/', $request->headers->get('If-Match', ''), $found)) {
            throw new HttpException(Response::HTTP_PRECONDITION_REQUIRED, 'A change has to say in If-Match which version it was made for.');
        }

        return (int) $found[1];
    }

    /** Makes a change, and answers with the thing as it is then; or, where it was stale, with what it is now. */
    public function changed(\Closure $change, \Closure $view): Response
    {
        try {
            $change();
        } catch (Stale $stale) {
            /** @var object $current */
            $current = $view();

            return (new Problem(Response::HTTP_PRECONDITION_FAILED, 'Changed in the meantime', $stale->getMessage(), null, $current))->response();
        }
        /** @var object $after */
        $after = $view();

        return $this->json($after);
    }

    /**
     * Makes an edit that can be taken back as one, and answers with it; or, where what it was thought
     * out for has changed, with that as it is now.
     *
     * @param \Closure(): Edit   $make
     * @param \Closure(): object $current
     */
    public function edited(\Closure $make, \Closure $current): Response
    {
        try {
            return $this->json(DoneView::of($make()));
        } catch (Stale $stale) {
            return (new Problem(Response::HTTP_PRECONDITION_FAILED, 'Changed in the meantime', $stale->getMessage(), null, $current()))->response();
        }
    }

    public function json(object $view): JsonResponse
    {
        $response = new JsonResponse($view, 200, ['Cache-Control' => 'no-cache, private']);
        $response->setEncodingOptions(\JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
        if (isset($view->version) && \is_int($view->version)) {
            $response->setEtag((string) $view->version);
        }

        return $response;
    }

    public function address(string $typed): Address
    {
        $typed = trim($typed);
        if ('' === $typed) {
            throw new Refused('address', 'An address begins with a slash, such as /papers/marbled.');
        }

        return Address::parse(str_starts_with($typed, '/') ? $typed : "/$typed");
    }

    /** Whose eyes a request asks to look with: `audience` guest or customer, `at` a moment. */
    public function visitor(Request $request): Visitor
    {
        return new Visitor('customer' === $request->query->getString('audience'), $this->moment($request->query->getString('at')) ?? $this->clock->now());
    }

    public function moment(?string $at): ?\DateTimeImmutable
    {
        return Fields::of(['at' => $at])->moment('at');
    }
}
