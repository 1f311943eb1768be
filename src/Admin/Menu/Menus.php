<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\IfMatch;
use Lantern\Admin\Http\LookQuery;
use Lantern\Admin\Http\Problem;
use Lantern\Admin\Http\QueryInput;
use Lantern\Core\Menu\Move;
use Lantern\Core\Visitor;
use Lantern\Workbench\Menus\MenuEditor;
use Lantern\Workbench\Menus\MenuRecord;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

#[AsController]
final readonly class Menus
{
    public function __construct(private Api $api, private MenuViews $views, private MenuEditor $editor)
    {
    }

    #[Route('/api/menus/{id}', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(
        path: '/api/menus/{id}',
        summary: 'A menu with its entries, and which of them a visitor does not get',
        responses: [new OA\Response(response: 200, description: 'The menu', content: new OA\JsonContent(ref: MenuView::class))],
    )]
    public function menu(string $id, #[QueryInput] LookQuery $look = new LookQuery()): Response
    {
        return $this->api->json($this->views->menu($id, $this->visitor($look)));
    }

    #[Route('/api/menus/{id}/moves', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(path: '/api/menus/{id}/moves', summary: 'Makes a move in a menu', responses: [
        new OA\Response(response: 200, description: 'The menu after the move', content: new OA\JsonContent(ref: MenuView::class)),
        new OA\Response(
            response: 412,
            description: 'Changed in the meantime',
            content: new OA\MediaType(mediaType: 'application/problem+json', schema: new OA\Schema(ref: Problem::class)),
        ),
        new OA\Response(
            response: 422,
            description: 'Against a rule',
            content: new OA\MediaType(mediaType: 'application/problem+json', schema: new OA\Schema(ref: Problem::class)),
        ),
    ])]
    public function move(
        string $id,
        #[Body] Move $move,
        #[IfMatch] int $version,
        #[CurrentUser] Account $account,
        #[QueryInput] LookQuery $look = new LookQuery(),
    ): Response {
        return $this->changed($id, $look, fn () => $this->editor->move($id, $version, $move, $account->actor()));
    }

    #[Route(
        '/api/menus/{id}/alternatives/{alternative}',
        requirements: ['id' => Requirement::UUID, 'alternative' => Requirement::UUID],
        methods: ['POST'],
    )]
    #[OA\Post(
        path: '/api/menus/{id}/alternatives/{alternative}',
        summary: 'Settles what two people wanted of one entry',
        responses: [new OA\Response(response: 200, description: 'The menu', content: new OA\JsonContent(ref: MenuView::class))],
    )]
    public function choose(
        string $id,
        string $alternative,
        #[Body] ChoiceInput $input,
        #[CurrentUser] Account $account,
        #[QueryInput] LookQuery $look = new LookQuery(),
    ): Response {
        return $this->changed($id, $look, fn () => $this->editor->choose($id, $alternative, $input->use, $account->actor()));
    }

    /** @param \Closure(): MenuRecord $change */
    private function changed(string $id, LookQuery $look, \Closure $change): Response
    {
        return $this->api->changed($change, fn (): MenuView => $this->views->menu($id, $this->visitor($look)));
    }

    private function visitor(LookQuery $look): Visitor
    {
        return $look->audience->at($look->at ?? $this->api->now());
    }
}
