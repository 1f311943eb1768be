<?php

declare(strict_types=1);

namespace Lantern\Admin\Release;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\Problem;
use Lantern\Admin\Http\QueryInput;
use Lantern\Admin\Job\JobView;
use Lantern\Core\NotThere;
use Lantern\Core\Release\ChangedSince;
use Lantern\Core\Release\WaitingChange;
use Lantern\Reading\Releases\ReleaseNote;
use Lantern\Reading\Releases\ReleaseReader;
use Lantern\Reading\Releases\RowKey;
use Lantern\Workbench\Jobs\JobKind;
use Lantern\Workbench\Jobs\Jobs;
use Lantern\Workbench\Publishing\Publisher;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

#[AsController]
final readonly class Releases
{
    /** More rows than these are published by a worker. */
    private const MOST_AT_ONCE = 3000;

    public function __construct(private Api $api, private Publisher $publisher, private ReleaseReader $releases, private Jobs $jobs)
    {
    }

    #[Route('/api/waiting', methods: ['GET'])]
    #[OA\Get(
        path: '/api/waiting',
        summary: 'What waits to be published',
        responses: [new OA\Response(response: 200, description: 'What waits', content: new OA\JsonContent(ref: WaitingView::class))],
    )]
    public function waiting(#[QueryInput] PartQuery $query = new PartQuery()): Response
    {
        return $this->api->json($this->waitingView($query->after()));
    }

    #[Route('/api/releases', name: 'publish', methods: ['POST'])]
    #[OA\Post(path: '/api/releases', summary: 'Publishes everything that waits, as it was seen', responses: [
        new OA\Response(response: 200, description: 'The release', content: new OA\JsonContent(ref: PublishedView::class)),
        new OA\Response(
            response: 202,
            description: 'So much that it takes a while: a job that publishes',
            content: new OA\JsonContent(ref: JobView::class),
        ),
    ])]
    public function publish(#[Body] PublishInput $input, #[CurrentUser] Account $account): Response
    {
        if ($this->releases->countEdited() > self::MOST_AT_ONCE) {
            return new JsonResponse(
                JobView::of($this->jobs->ask(JobKind::Publish, ['seen' => $input->seen], $account->actor())),
                Response::HTTP_ACCEPTED,
            );
        }
        try {
            $number = $this->publisher->publish($account->actor(), $input->seen);
        } catch (ChangedSince $changed) {
            return (new Problem(
                Response::HTTP_PRECONDITION_FAILED,
                'Changed in the meantime',
                $changed->getMessage(),
                null,
                $this->waitingView(),
            ))->response();
        }

        return $this->api->json(new PublishedView($number));
    }

    #[Route('/api/releases', methods: ['GET'])]
    #[OA\Get(
        path: '/api/releases',
        summary: 'The latest releases, newest first',
        responses: [new OA\Response(
            response: 200,
            description: 'Releases',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: ReleaseView::class)),
        )],
    )]
    public function releases(): Response
    {
        return new JsonResponse(array_map(self::view(...), $this->releases->releases()));
    }

    #[Route('/api/releases/{number}', requirements: ['number' => '\d{1,9}'], methods: ['GET'])]
    #[OA\Get(
        path: '/api/releases/{number}',
        summary: 'A release with what it changed',
        responses: [new OA\Response(response: 200, description: 'The release', content: new OA\JsonContent(ref: ReleaseDetail::class))],
    )]
    public function release(int $number, #[QueryInput] PartQuery $query = new PartQuery()): Response
    {
        $note = $this->releases->release($number) ?? throw new NotThere('There is no release with this number.');

        $part = $this->releases->changesOf($number, $query->after());

        return $this->api->json(new ReleaseDetail(
            self::view($note),
            self::views($part->changes),
            null === $part->next ? null : (string) $part->next,
        ));
    }

    private function waitingView(?RowKey $after = null): WaitingView
    {
        $waiting = $this->releases->waiting($after);

        return new WaitingView(
            $waiting->count(),
            $waiting->summary(),
            self::views($waiting->changes),
            $waiting->more,
            null === $waiting->next ? null : (string) $waiting->next,
            $waiting->state,
        );
    }

    private static function view(ReleaseNote $note): ReleaseView
    {
        return new ReleaseView($note->number, $note->releasedAt->format(\DATE_ATOM), $note->releasedBy, $note->summary);
    }

    /**
     * @param list<WaitingChange> $changes
     *
     * @return list<ChangeView>
     */
    private static function views(array $changes): array
    {
        return array_map(
            static fn (WaitingChange $change): ChangeView => new ChangeView(
                $change->subject->value,
                $change->id,
                $change->name,
                $change->sentences,
            ),
            $changes,
        );
    }
}
