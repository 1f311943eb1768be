<?php

declare(strict_types=1);

namespace Lantern\Admin\Controller;

use Lantern\Admin\Account;
use Lantern\Admin\Api;
use Lantern\Admin\View\ChangeView;
use Lantern\Admin\View\PublishedView;
use Lantern\Admin\View\ReleaseDetail;
use Lantern\Admin\View\ReleaseView;
use Lantern\Admin\View\WaitingView;
use Lantern\Core\Release\Comparison;
use Lantern\Core\Release\WaitingChange;
use Lantern\Persistence\NotThere;
use Lantern\Persistence\Publisher;
use Lantern\Persistence\ReleaseNote;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

#[AsController]
final readonly class Releases
{
    public function __construct(private Api $api, private Publisher $publisher)
    {
    }

    #[Route('/api/waiting', methods: ['GET'])]
    #[OA\Get(path: '/api/waiting', summary: 'What waits to be published', responses: [new OA\Response(response: 200, description: 'What waits', content: new OA\JsonContent(ref: WaitingView::class))])]
    public function waiting(): Response
    {
        $changes = $this->publisher->waiting();

        $more = $this->publisher->redirectsUntold($changes);

        return $this->api->json(new WaitingView(\count($changes) + $more, Comparison::summary($changes, $more), self::views($changes), $more));
    }

    #[Route('/api/releases', methods: ['POST'])]
    #[OA\Post(path: '/api/releases', summary: 'Publishes everything that waits', responses: [new OA\Response(response: 200, description: 'The release', content: new OA\JsonContent(ref: PublishedView::class))])]
    public function publish(#[CurrentUser] Account $account): Response
    {
        return $this->api->json(new PublishedView($this->publisher->publish($account->person->name)));
    }

    #[Route('/api/releases', methods: ['GET'])]
    #[OA\Get(path: '/api/releases', summary: 'The latest releases, newest first', responses: [new OA\Response(response: 200, description: 'Releases', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: ReleaseView::class)))])]
    public function releases(): Response
    {
        return new JsonResponse(array_map(self::view(...), $this->publisher->releases()));
    }

    #[Route('/api/releases/{number}', requirements: ['number' => '\d{1,9}'], methods: ['GET'])]
    #[OA\Get(path: '/api/releases/{number}', summary: 'A release with what it changed', parameters: [
        new OA\Parameter(name: 'number', in: 'path', required: true, schema: new OA\Schema(type: 'integer')),
    ], responses: [new OA\Response(response: 200, description: 'The release', content: new OA\JsonContent(ref: ReleaseDetail::class))])]
    public function release(int $number): Response
    {
        $note = $this->publisher->release($number) ?? throw new NotThere('There is no release with this number.');

        return $this->api->json(new ReleaseDetail(self::view($note), self::views($this->publisher->changesOf($number))));
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
        return array_map(static fn (WaitingChange $change): ChangeView => new ChangeView($change->kind, $change->id, $change->name, $change->sentences), $changes);
    }
}
