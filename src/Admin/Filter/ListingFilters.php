<?php

declare(strict_types=1);

namespace Lantern\Admin\Filter;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\IfMatch;
use Lantern\Admin\Http\QueryInput;
use Lantern\Admin\Place\PlaceSheet;
use Lantern\Admin\Place\PlaceViews;
use Lantern\Core\Filter\Filter;
use Lantern\Workbench\Filters\FilterEditor;
use Lantern\Workbench\Places\PlaceEditor;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** By what visitors narrow the listings of the shop. */
#[AsController]
final readonly class ListingFilters
{
    public function __construct(
        private Api $api,
        private FilterViews $views,
        private FilterEditor $editor,
        private PlaceEditor $places,
        private PlaceViews $sheets,
    ) {
    }

    #[Route('/api/filters', methods: ['GET'])]
    #[OA\Get(
        path: '/api/filters',
        summary: 'Which filters listings have, and which they could have',
        responses: [new OA\Response(response: 200, description: 'Filters', content: new OA\JsonContent(ref: FiltersView::class))],
    )]
    public function filters(): Response
    {
        return $this->api->json($this->views->filters());
    }

    #[Route('/api/filters', methods: ['PUT'])]
    #[OA\Put(
        path: '/api/filters',
        summary: 'Chooses the filters of all listings, or of search results',
        responses: [new OA\Response(response: 200, description: 'Filters', content: new OA\JsonContent(ref: FiltersView::class))],
    )]
    public function choose(#[Body] ListingFiltersInput $input, #[IfMatch] int $version, #[CurrentUser] Account $account): Response
    {
        return $this->api->changed(
            fn () => $this->editor->choose('search' === $input->of, $version, $input->filters, $account->actor()),
            $this->views->filters(...),
        );
    }

    #[Route('/api/filters/words', methods: ['PATCH'])]
    #[OA\Patch(
        path: '/api/filters/words',
        summary: 'Words a filter and its choices, orders them, puts together what means the same',
        responses: [new OA\Response(response: 200, description: 'Filters', content: new OA\JsonContent(ref: FiltersView::class))],
    )]
    public function word(#[Body] FilterWordsInput $input, #[IfMatch] int $version, #[CurrentUser] Account $account): Response
    {
        return $this->api->changed(
            fn () => $this->editor->word(
                $input->filter,
                $version,
                $account->actor(),
                $input->label,
                $input->order(),
                $input->byHand,
                $input->labels(),
                $input->same(),
            ),
            $this->views->filters(...),
        );
    }

    #[Route('/api/filters/choices', methods: ['GET'])]
    #[OA\Get(
        path: '/api/filters/choices',
        summary: 'All choices of a filter',
        responses: [new OA\Response(response: 200, description: 'Choices', content: new OA\JsonContent(ref: KnownChoicesView::class))],
    )]
    public function choices(#[QueryInput] KnownChoicesQuery $query = new KnownChoicesQuery()): Response
    {
        return $this->api->json($this->views->choices(Filter::named($query->filter)));
    }

    #[Route('/api/places/{id}/filters', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(
        path: '/api/places/{id}/filters',
        summary: 'What the filters of a listing offer, with something chosen',
        responses: [new OA\Response(
            response: 200,
            description: 'Filters with their choices',
            content: new OA\JsonContent(ref: NarrowedView::class),
        )],
    )]
    public function narrowed(string $id, #[QueryInput] NarrowedQuery $query = new NarrowedQuery()): Response
    {
        return $this->api->json($this->views->narrowed($id, $query));
    }

    #[Route('/api/places/{id}/filters', requirements: ['id' => Requirement::UUID], methods: ['PUT'])]
    #[OA\Put(
        path: '/api/places/{id}/filters',
        summary: 'Gives the listing of a place filters of its own, or takes them back',
        responses: [new OA\Response(response: 200, description: 'The place', content: new OA\JsonContent(ref: PlaceSheet::class))],
    )]
    public function ofPlace(
        string $id,
        #[Body] ListingFiltersInput $input,
        #[IfMatch] int $version,
        #[CurrentUser] Account $account,
    ): Response {
        return $this->api->changed(
            fn () => $this->places->filter($id, $version, $input->filters, $account->actor()),
            fn (): PlaceSheet => $this->sheets->sheet($id),
        );
    }
}
