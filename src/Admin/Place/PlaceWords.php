<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\IfMatch;
use Lantern\Reading\Places\PlaceTable;
use Lantern\Workbench\Places\PlaceEditor;
use Lantern\Workbench\Words\CleanedWords;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What stands on a place's own page: its words, and the products a collection is given by hand. */
#[AsController]
final class PlaceWords
{
    public function __construct(
        private readonly Api $api,
        private readonly PlaceViews $views,
        private readonly PlaceEditor $editor,
        private readonly PlaceTable $table,
    ) {
    }

    #[Route('/api/places/{id}/words', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(
        path: '/api/places/{id}/words',
        summary: 'The words of a place, with its anchors and blanks',
        responses: [new OA\Response(response: 200, description: 'The words', content: new OA\JsonContent(ref: WordsView::class))],
    )]
    public function words(string $id): Response
    {
        return $this->api->json($this->views->words($id));
    }

    #[Route('/api/places/{id}/words', requirements: ['id' => Requirement::UUID], methods: ['PUT'])]
    #[OA\Put(
        path: '/api/places/{id}/words',
        summary: 'Writes the words of a place; what cannot be stored is taken out and told',
        responses: [new OA\Response(
            response: 200,
            description: 'The words as they are stored',
            content: new OA\JsonContent(ref: WordsView::class),
        )],
    )]
    public function write(string $id, #[Body] WordsInput $input, #[IfMatch] int $version, #[CurrentUser] Account $account): Response
    {
        return $this->api->changed(
            fn (): CleanedWords => $this->editor->writeWords($id, $version, $input->html, $account->actor()),
            fn (?CleanedWords $cleaned): WordsView => $this->views->words($id, $cleaned->takenOut ?? []),
        );
    }

    #[Route('/api/places/{id}/products', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(
        path: '/api/places/{id}/products',
        summary: 'The products that a collection is given by hand, in their order',
        responses: [new OA\Response(response: 200, description: 'Products', content: new OA\JsonContent(ref: PlacePage::class))],
    )]
    public function products(string $id): Response
    {
        return $this->api->json(new PlacePage($this->views->rows($this->table->picked($id)), null));
    }

    #[Route('/api/places/{id}/products', requirements: ['id' => Requirement::UUID], methods: ['PUT'])]
    #[OA\Put(
        path: '/api/places/{id}/products',
        summary: 'Gives a collection its products by hand',
        responses: [new OA\Response(response: 200, description: 'The collection', content: new OA\JsonContent(ref: PlaceSheet::class))],
    )]
    public function pick(string $id, #[Body] PicksInput $input, #[IfMatch] int $version, #[CurrentUser] Account $account): Response
    {
        return $this->api->changed(
            fn () => $this->editor->pick($id, $version, $input->products, $account->actor()),
            fn (): PlaceSheet => $this->views->sheet($id),
        );
    }

    #[Route('/api/places/{id}/siblings', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(
        path: '/api/places/{id}/siblings',
        summary: 'The places of the same kind at the same stand, in their order',
        responses: [new OA\Response(
            response: 200,
            description: 'Siblings, the place itself among them',
            content: new OA\JsonContent(ref: PlacePage::class),
        )],
    )]
    public function siblings(string $id): Response
    {
        return $this->api->json(new PlacePage($this->views->rows($this->table->siblings($id)), null));
    }
}
