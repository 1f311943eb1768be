<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\IfMatch;
use Lantern\Admin\Http\QueryInput;
use Lantern\Admin\Rule\AllView;
use Lantern\Core\Place\SearchListing;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Places\ListedPlace;
use Lantern\Reading\Places\PlaceTable;
use Lantern\Workbench\Findings\FindingsPreview;
use Lantern\Workbench\Places\ManyPlaces;
use Lantern\Workbench\Places\PlaceEditor;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

#[AsController]
final readonly class Places
{
    public function __construct(
        private Api $api,
        private PlaceTable $table,
        private PlaceViews $views,
        private PlaceEditor $editor,
        private Copies $copies,
        private FindingsPreview $foresight,
    ) {
    }

    #[Route('/api/places', methods: ['GET'])]
    #[OA\Get(
        path: '/api/places',
        summary: 'A page of the places on the workbench',
        responses: [new OA\Response(response: 200, description: 'The page', content: new OA\JsonContent(ref: PlacePage::class))],
    )]
    public function page(#[QueryInput] PlacesQuery $query = new PlacesQuery()): Response
    {
        $listed = $this->table->page($query->filter(), $query->after);
        $page = \array_slice($listed, 0, PlaceTable::PAGE);

        return $this->api->json(new PlacePage(
            $this->views->rows($page, withSteps: true),
            \count($listed) > PlaceTable::PAGE ? $page[PlaceTable::PAGE - 1]->place->id : null,
        ));
    }

    #[Route('/api/places/all', methods: ['GET'])]
    #[OA\Get(
        path: '/api/places/all',
        summary: 'All that the table of places is narrowed to',
        responses: [new OA\Response(
            response: 200,
            description: 'How many, and their ids',
            content: new OA\JsonContent(ref: AllView::class),
        )],
    )]
    public function all(#[QueryInput] PlacesQuery $query = new PlacesQuery()): Response
    {
        return $this->api->json(AllView::of($this->table->all($query->filter(), ManyPlaces::MOST)));
    }

    #[Route('/api/places/groups', methods: ['GET'])]
    #[OA\Get(
        path: '/api/places/groups',
        summary: 'The places that others stand below, and the tags of products',
        responses: [new OA\Response(response: 200, description: 'Groups', content: new OA\JsonContent(ref: GroupsView::class))],
    )]
    public function groups(): Response
    {
        return $this->api->json(new GroupsView(
            array_map(fn (ListedPlace $one) => $this->views->brief($one->place), $this->table->groups()),
            $this->copies->workbench->shop->tags(),
        ));
    }

    #[Route('/api/places/{id}', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(
        path: '/api/places/{id}',
        summary: 'A place',
        responses: [new OA\Response(response: 200, description: 'The place', content: new OA\JsonContent(ref: PlaceSheet::class))],
    )]
    public function sheet(string $id): Response
    {
        return $this->api->json($this->views->sheet($id));
    }

    #[Route('/api/places/{id}', requirements: ['id' => Requirement::UUID], methods: ['PATCH'])]
    #[OA\Patch(
        path: '/api/places/{id}',
        summary: 'Changes what is said about a place',
        responses: [new OA\Response(response: 200, description: 'The place', content: new OA\JsonContent(ref: PlaceSheet::class))],
    )]
    public function revise(string $id, #[Body] RevisionInput $input, #[IfMatch] int $version, #[CurrentUser] Account $account): Response
    {
        return $this->changed($id, fn () => $this->editor->revise($id, $version, $input->revision(), $account->actor()));
    }

    #[Route('/api/places/{id}/light-plan', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(
        path: '/api/places/{id}/light-plan',
        summary: 'What another light, other dates or another audience would touch',
        responses: [new OA\Response(response: 200, description: 'What it touches', content: new OA\JsonContent(ref: TouchesView::class))],
    )]
    public function planLight(string $id, #[Body] RevisionInput $input, #[CurrentUser] Account $account): Response
    {
        $touches = $this->editor->planLight($id, $input->revision(), $this->table->one($id)->visits);
        $touches = [
            ...$touches,
            ...$this->foresight->of(fn () => $this->editor->reviseWithin($id, null, $input->revision(), $account->actor())),
        ];

        return $this->api->json(new TouchesView(array_map(TouchView::of(...), $touches)));
    }

    #[Route('/api/places/{id}/listing', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(
        path: '/api/places/{id}/listing',
        summary: 'How search engines would show a place with another listing',
        responses: [new OA\Response(response: 200, description: 'The listing', content: new OA\JsonContent(ref: ListingView::class))],
    )]
    public function listing(string $id, #[QueryInput] ListingQuery $query = new ListingQuery()): Response
    {
        $listed = $this->table->one($id);
        $listing = new SearchListing($listed->place->listing->listed, $query->title, $query->description);

        return $this->api->json($this->views->listing($listed->place, $listing, $listed->summary));
    }

    #[Route('/api/places/{id}/stand', requirements: ['id' => Requirement::UUID], methods: ['PUT'])]
    #[OA\Put(
        path: '/api/places/{id}/stand',
        summary: 'Puts a place before one of its siblings, or at their end',
        responses: [new OA\Response(response: 200, description: 'The place', content: new OA\JsonContent(ref: PlaceSheet::class))],
    )]
    public function arrange(string $id, #[Body] StandInput $input, #[IfMatch] int $version, #[CurrentUser] Account $account): Response
    {
        return $this->changed($id, fn () => $this->editor->arrange($id, $version, $input->before, $account->actor()));
    }

    /** @param \Closure(): void $change */
    private function changed(string $id, \Closure $change): Response
    {
        return $this->api->changed($change, fn (): PlaceSheet => $this->views->sheet($id));
    }
}
