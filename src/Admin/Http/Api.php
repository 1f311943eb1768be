<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Lantern\Core\Stale;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Edits\UnitOfWork;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;

/** What the resources of the API have in common: answers, versions, the present moment. */
#[OA\Info(
    version: '1.0',
    title: 'Gentle Lantern',
    description: 'What the management interface is made with. Changes need the session of a person who may edit, and the header '
        .'X-CSRF-Token; a changed thing is named by If-Match.',
)]
final readonly class Api
{
    public function __construct(private ClockInterface $clock, private UnitOfWork $work)
    {
    }

    public function now(): \DateTimeImmutable
    {
        return $this->clock->now();
    }

    /**
     * Makes a change, and answers with the thing as it is then; or, where it was stale, with what it is
     * now. The answer is made before the change is kept: where it cannot be made, nothing was changed.
     *
     * @template T
     *
     * @param \Closure(): T        $change
     * @param \Closure(T|null): object $view given what the change gave; null where there was none
     */
    public function changed(\Closure $change, \Closure $view): Response
    {
        try {
            return $this->work->run(function () use ($change, $view): Response {
                return $this->json($view($change()));
            });
        } catch (Stale $stale) {
            return self::stale($stale, $view(null));
        }
    }

    /**
     * Makes an edit that can be taken back as one, and answers with it; or, where what it was thought
     * out for has changed, with that as it is now.
     *
     * @param \Closure(): Edit           $make
     * @param (\Closure(): object)|null  $current
     */
    public function edited(\Closure $make, ?\Closure $current = null): Response
    {
        try {
            return $this->work->run(fn (): Response => $this->json(DoneView::of($make())));
        } catch (Stale $stale) {
            return self::stale($stale, null === $current ? null : $current());
        }
    }

    /**
     * Makes a change and what is said of it: where that cannot be said, nothing was changed.
     *
     * @template T
     *
     * @param \Closure(): T $make
     *
     * @return T
     */
    public function together(\Closure $make): mixed
    {
        return $this->work->run($make);
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

    private static function stale(Stale $stale, ?object $current): Response
    {
        return (new Problem(
            Response::HTTP_PRECONDITION_FAILED,
            'Changed in the meantime',
            $stale->getMessage(),
            null,
            $current,
        ))->response();
    }
}
