<?php

declare(strict_types=1);

namespace Lantern\Admin\Edit;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\DoneView;
use Lantern\Admin\Http\QueryInput;
use Lantern\Core\Person\Actor;
use Lantern\Reading\News\WorkbenchNews;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\History;
use Lantern\Workbench\Edits\PastStep;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What one person did, to be taken back and made again; and what others did meanwhile. */
#[AsController]
final readonly class Edits
{
    public function __construct(private Api $api, private EditLog $edits, private History $history, private WorkbenchNews $news)
    {
    }

    #[Route('/api/history', methods: ['GET'])]
    #[OA\Get(
        path: '/api/history',
        summary: 'What the person who asks can take back, and make again',
        responses: [new OA\Response(response: 200, description: 'In words', content: new OA\JsonContent(ref: HistoryView::class))],
    )]
    public function history(#[CurrentUser] Account $account): Response
    {
        return $this->api->json($this->view($account->actor()));
    }

    #[Route('/api/undo', methods: ['POST'])]
    #[OA\Post(
        path: '/api/undo',
        summary: 'Takes back what the person who asks did last, wherever that was',
        responses: [new OA\Response(
            response: 200,
            description: 'What was taken back',
            content: new OA\JsonContent(ref: HistoryView::class),
        )],
    )]
    public function undoLast(#[CurrentUser] Account $account): Response
    {
        return $this->api->changed(
            fn (): PastStep => $this->history->undo($account->actor()),
            fn (?PastStep $done): HistoryView => $this->view($account->actor(), $done),
        );
    }

    #[Route('/api/redo', methods: ['POST'])]
    #[OA\Post(
        path: '/api/redo',
        summary: 'Makes again what the person who asks took back last',
        responses: [new OA\Response(
            response: 200,
            description: 'What was made again',
            content: new OA\JsonContent(ref: HistoryView::class),
        )],
    )]
    public function redo(#[CurrentUser] Account $account): Response
    {
        return $this->api->changed(
            fn (): PastStep => $this->history->redo($account->actor()),
            fn (?PastStep $done): HistoryView => $this->view($account->actor(), $done),
        );
    }

    #[Route('/api/edits/{id}/undo', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(
        path: '/api/edits/{id}/undo',
        summary: 'Takes one edit back, though others were made since',
        responses: [new OA\Response(response: 200, description: 'The step', content: new OA\JsonContent(ref: DoneView::class))],
    )]
    public function undo(string $id, #[CurrentUser] Account $account): Response
    {
        return $this->api->edited(fn (): Edit => $this->edits->takeBack($this->edits->get($id, $account->actor()), $account->actor()));
    }

    #[Route('/api/news', methods: ['GET'])]
    #[OA\Get(
        path: '/api/news',
        summary: 'What changed since it was asked before, by anybody but the page that asks',
        responses: [new OA\Response(response: 200, description: 'What changed', content: new OA\JsonContent(ref: NewsView::class))],
    )]
    public function news(Request $request, #[QueryInput] NewsQuery $query = new NewsQuery()): Response
    {
        return $this->api->json(NewsView::of($this->news->since(
            '' === $query->since ? null : $query->since,
            $request->headers->get('X-Page', ''),
        )));
    }

    private function view(Actor $person, ?PastStep $done = null): HistoryView
    {
        return HistoryView::of($this->history->last($person), $this->history->undone($person), $done);
    }
}
