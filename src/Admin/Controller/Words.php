<?php

declare(strict_types=1);

namespace Lantern\Admin\Controller;

use Lantern\Admin\Account;
use Lantern\Admin\Api;
use Lantern\Admin\PlaceViews;
use Lantern\Admin\View\PlacePage;
use Lantern\Admin\View\PlaceSheet;
use Lantern\Admin\View\WordsView;
use Lantern\Persistence\PlaceEditor;
use Lantern\Persistence\PlaceTable;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What stands on a place's own page: its words, and the products a collection is given by hand. */
#[AsController]
final class Words
{
    public function __construct(
        private readonly Api $api,
        private readonly PlaceViews $views,
        private readonly PlaceEditor $editor,
        private readonly PlaceTable $table,
    ) {
    }

    #[Route('/api/places/{id}/words', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(path: '/api/places/{id}/words', summary: 'The words of a place, with its anchors and blanks', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'The words', content: new OA\JsonContent(ref: WordsView::class))])]
    public function words(string $id): Response
    {
        return $this->api->json($this->views->words($id));
    }

    #[Route('/api/places/{id}/words', requirements: ['id' => Requirement::UUID], methods: ['PUT'])]
    #[OA\Put(path: '/api/places/{id}/words', summary: 'Writes the words of a place; what cannot be stored is taken out and told', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'If-Match', in: 'header', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['html'], properties: [
        new OA\Property(property: 'html', type: 'string'),
    ])), responses: [new OA\Response(response: 200, description: 'The words as they are stored', content: new OA\JsonContent(ref: WordsView::class))])]
    public function write(string $id, Request $request, #[CurrentUser] Account $account): Response
    {
        $takenOut = [];

        return $this->api->changed(
            function () use ($id, $request, $account, &$takenOut): void {
                $takenOut = $this->editor->writeWords($id, $this->api->version($request), $this->api->body($request)->text('html'), $account->person)->takenOut;
            },
            function () use ($id, &$takenOut): WordsView {
                /** @var list<string> $takenOut */
                return $this->views->words($id, $takenOut);
            },
        );
    }

    #[Route('/api/places/{id}/products', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(path: '/api/places/{id}/products', summary: 'The products that a collection is given by hand, in their order', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'Products', content: new OA\JsonContent(ref: PlacePage::class))])]
    public function products(string $id): Response
    {
        return $this->api->json(new PlacePage($this->views->rows($this->table->picked($id)), null));
    }

    #[Route('/api/places/{id}/products', requirements: ['id' => Requirement::UUID], methods: ['PUT'])]
    #[OA\Put(path: '/api/places/{id}/products', summary: 'Gives a collection its products by hand', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'If-Match', in: 'header', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['products'], properties: [
        new OA\Property(property: 'products', type: 'array', items: new OA\Items(type: 'string')),
    ])), responses: [new OA\Response(response: 200, description: 'The collection', content: new OA\JsonContent(ref: PlaceSheet::class))])]
    public function pick(string $id, Request $request, #[CurrentUser] Account $account): Response
    {
        $products = $this->api->body($request)->uuids('products');

        return $this->api->changed(
            fn () => $this->editor->pick($id, $this->api->version($request), $products, $account->person),
            fn (): PlaceSheet => $this->views->sheet($id),
        );
    }

    #[Route('/api/places/{id}/siblings', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(path: '/api/places/{id}/siblings', summary: 'The places of the same kind at the same stand, in their order', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'Siblings, the place itself among them', content: new OA\JsonContent(ref: PlacePage::class))])]
    public function siblings(string $id): Response
    {
        return $this->api->json(new PlacePage($this->views->rows($this->table->siblings($id)), null));
    }
}
