<?php

declare(strict_types=1);

namespace Lantern\Admin\Controller;

use Lantern\Admin\Account;
use Lantern\Admin\Api;
use Lantern\Admin\MenuViews;
use Lantern\Admin\View\MenuView;
use Lantern\Admin\View\Problem;
use Lantern\Persistence\MenuEditor;
use Lantern\Persistence\MoveCodec;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Request;
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
    #[OA\Get(path: '/api/menus/{id}', summary: 'A menu with its entries, and which of them a visitor does not get', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'audience', in: 'query', schema: new OA\Schema(type: 'string', enum: ['guest', 'customer'])),
        new OA\Parameter(name: 'at', in: 'query', schema: new OA\Schema(type: 'string', format: 'date-time')),
    ], responses: [new OA\Response(response: 200, description: 'The menu', content: new OA\JsonContent(ref: MenuView::class))])]
    public function menu(string $id, Request $request, #[CurrentUser] Account $account): Response
    {
        return $this->api->json($this->views->menu($id, $account->person, $this->api->visitor($request)));
    }

    #[Route('/api/menus/{id}/moves', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(path: '/api/menus/{id}/moves', summary: 'Makes a move in a menu', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'If-Match', in: 'header', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/MoveInput')), responses: [
        new OA\Response(response: 200, description: 'The menu after the move', content: new OA\JsonContent(ref: MenuView::class)),
        new OA\Response(response: 412, description: 'Changed in the meantime', content: new OA\MediaType(mediaType: 'application/problem+json', schema: new OA\Schema(ref: Problem::class))),
        new OA\Response(response: 422, description: 'Against a rule', content: new OA\MediaType(mediaType: 'application/problem+json', schema: new OA\Schema(ref: Problem::class))),
    ])]
    public function move(string $id, Request $request, #[CurrentUser] Account $account): Response
    {
        $move = MoveCodec::decode($this->api->body($request));

        return $this->changed($id, $request, $account, fn () => $this->editor->move($id, $this->api->version($request), $move, $account->person));
    }

    #[Route('/api/menus/{id}/undo', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(path: '/api/menus/{id}/undo', summary: 'Takes back the last step of the person who asks', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'The menu', content: new OA\JsonContent(ref: MenuView::class))])]
    public function undo(string $id, Request $request, #[CurrentUser] Account $account): Response
    {
        return $this->changed($id, $request, $account, fn () => $this->editor->undo($id, $account->person));
    }

    #[Route('/api/menus/{id}/redo', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(path: '/api/menus/{id}/redo', summary: 'Makes the step again that was taken back last', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'The menu', content: new OA\JsonContent(ref: MenuView::class))])]
    public function redo(string $id, Request $request, #[CurrentUser] Account $account): Response
    {
        return $this->changed($id, $request, $account, fn () => $this->editor->redo($id, $account->person));
    }

    #[Route('/api/menus/{id}/alternatives/{alternative}', requirements: ['id' => Requirement::UUID, 'alternative' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(path: '/api/menus/{id}/alternatives/{alternative}', summary: 'Settles what two people wanted of one entry', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'alternative', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['use'], properties: [new OA\Property(property: 'use', type: 'boolean', description: 'Whether the other wish becomes true; else what stands is kept')], type: 'object')), responses: [new OA\Response(response: 200, description: 'The menu', content: new OA\JsonContent(ref: MenuView::class))])]
    public function choose(string $id, string $alternative, Request $request, #[CurrentUser] Account $account): Response
    {
        $use = $this->api->body($request)->bool('use', false);

        return $this->changed($id, $request, $account, fn () => $this->editor->choose($id, $alternative, $use, $account->person));
    }

    private function changed(string $id, Request $request, Account $account, \Closure $change): Response
    {
        return $this->api->changed($change, fn (): MenuView => $this->views->menu($id, $account->person, $this->api->visitor($request)));
    }
}
