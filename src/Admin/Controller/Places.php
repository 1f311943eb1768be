<?php

declare(strict_types=1);

namespace Lantern\Admin\Controller;

use Lantern\Admin\Account;
use Lantern\Admin\Api;
use Lantern\Admin\PlaceViews;
use Lantern\Admin\View\GroupsView;
use Lantern\Admin\View\ListingView;
use Lantern\Admin\View\PlacePage;
use Lantern\Admin\View\PlaceSheet;
use Lantern\Admin\View\RevisionInput;
use Lantern\Admin\View\TouchesView;
use Lantern\Admin\View\TouchView;
use Lantern\Core\Impact\Touch;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\SearchListing;
use Lantern\Persistence\Copies;
use Lantern\Persistence\ListedPlace;
use Lantern\Persistence\PlaceEditor;
use Lantern\Persistence\PlaceFilter;
use Lantern\Persistence\PlaceTable;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Uid\Uuid;

#[AsController]
final readonly class Places
{
    public function __construct(
        private Api $api,
        private PlaceTable $table,
        private PlaceViews $views,
        private PlaceEditor $editor,
        private Copies $copies,
    ) {
    }

    #[Route('/api/places', methods: ['GET'])]
    #[OA\Get(path: '/api/places', summary: 'A page of the places on the workbench', parameters: [
        new OA\Parameter(name: 'q', in: 'query', description: 'Words in title, address or kind', schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'kind', in: 'query', schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'light', in: 'query', schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'group', in: 'query', description: 'Id of the place that they stand below', schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'listed', in: 'query', schema: new OA\Schema(type: 'string', enum: ['yes', 'no', ''])),
        new OA\Parameter(name: 'led', in: 'query', description: 'no-menu: that no menu leads to; nowhere: that open, but nothing leads to', schema: new OA\Schema(type: 'string', enum: ['no-menu', 'nowhere', ''])),
        new OA\Parameter(name: 'order', in: 'query', schema: new OA\Schema(type: 'string', enum: PlaceFilter::ORDERS)),
        new OA\Parameter(name: 'down', in: 'query', description: 'yes: from the end', schema: new OA\Schema(type: 'string', enum: ['yes', ''])),
        new OA\Parameter(name: 'after', in: 'query', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'The page', content: new OA\JsonContent(ref: PlacePage::class))])]
    public function page(Request $request): Response
    {
        $query = $request->query;
        $after = $query->getString('after');
        $group = $query->getString('group');
        $listed = $this->table->page(new PlaceFilter(
            mb_substr($query->getString('q'), 0, 200),
            PlaceKind::tryFrom($query->getString('kind')),
            Light::tryFrom($query->getString('light')),
            Uuid::isValid($group) ? $group : null,
            ['yes' => true, 'no' => false][$query->getString('listed')] ?? null,
            'no-menu' === $query->getString('led'),
            'nowhere' === $query->getString('led'),
            $query->getString('order'),
            'yes' === $query->getString('down'),
        ), Uuid::isValid($after) ? $after : null);
        $page = \array_slice($listed, 0, PlaceTable::PAGE);

        return $this->api->json(new PlacePage(
            $this->views->rows($page, withSteps: true),
            \count($listed) > PlaceTable::PAGE ? $page[PlaceTable::PAGE - 1]->place->id : null,
        ));
    }

    #[Route('/api/places/find', methods: ['GET'])]
    #[OA\Get(path: '/api/places/find', summary: 'The places that a few letters could mean, likeliest first', parameters: [
        new OA\Parameter(name: 'q', in: 'query', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'kind', in: 'query', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'What was found', content: new OA\JsonContent(ref: PlacePage::class))])]
    public function find(Request $request): Response
    {
        $found = $this->table->find(mb_substr($request->query->getString('q'), 0, 200), PlaceKind::tryFrom($request->query->getString('kind')));

        return $this->api->json(new PlacePage($this->views->rows($found), null));
    }

    #[Route('/api/places/groups', methods: ['GET'])]
    #[OA\Get(path: '/api/places/groups', summary: 'The places that others stand below, and the tags of products', responses: [new OA\Response(response: 200, description: 'Groups', content: new OA\JsonContent(ref: GroupsView::class))])]
    public function groups(): Response
    {
        return $this->api->json(new GroupsView(
            array_map(fn (ListedPlace $one) => $this->views->brief($one->place), $this->table->groups()),
            $this->copies->workbench->shop->tags(),
        ));
    }

    #[Route('/api/places/{id}', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(path: '/api/places/{id}', summary: 'A place', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'The place', content: new OA\JsonContent(ref: PlaceSheet::class))])]
    public function sheet(string $id): Response
    {
        return $this->api->json($this->views->sheet($id));
    }

    #[Route('/api/places/{id}', requirements: ['id' => Requirement::UUID], methods: ['PATCH'])]
    #[OA\Patch(path: '/api/places/{id}', summary: 'Changes what is said about a place', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'If-Match', in: 'header', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/RevisionInput')), responses: [new OA\Response(response: 200, description: 'The place', content: new OA\JsonContent(ref: PlaceSheet::class))])]
    public function revise(string $id, Request $request, #[CurrentUser] Account $account): Response
    {
        $revision = RevisionInput::read($this->api->body($request));

        return $this->changed($id, fn () => $this->editor->revise($id, $this->api->version($request), $revision, $account->person));
    }

    #[Route('/api/places/{id}/light-plan', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(path: '/api/places/{id}/light-plan', summary: 'What another light, other dates or another audience would touch', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/RevisionInput')), responses: [new OA\Response(response: 200, description: 'What it touches', content: new OA\JsonContent(ref: TouchesView::class))])]
    public function planLight(string $id, Request $request): Response
    {
        $touches = $this->editor->planLight($id, RevisionInput::read($this->api->body($request)), $this->table->one($id)->visits);

        return $this->api->json(new TouchesView(array_map(static fn (Touch $touch): TouchView => new TouchView($touch->sentence, $touch->breaks), $touches)));
    }

    #[Route('/api/places/{id}/listing', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(path: '/api/places/{id}/listing', summary: 'How search engines would show a place with another listing', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'title', in: 'query', schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'description', in: 'query', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'The listing', content: new OA\JsonContent(ref: ListingView::class))])]
    public function listing(string $id, Request $request): Response
    {
        $listed = $this->table->one($id);
        $listing = new SearchListing($listed->place->listing->listed, $request->query->getString('title'), $request->query->getString('description'));

        return $this->api->json($this->views->listing($listed->place, $listing, $listed->summary));
    }

    #[Route('/api/places/{id}/stand', requirements: ['id' => Requirement::UUID], methods: ['PUT'])]
    #[OA\Put(path: '/api/places/{id}/stand', summary: 'Puts a place before one of its siblings, or at their end', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'If-Match', in: 'header', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(properties: [
        new OA\Property(property: 'before', type: 'string', nullable: true, description: 'Id of the sibling; null: at the end'),
    ])), responses: [new OA\Response(response: 200, description: 'The place', content: new OA\JsonContent(ref: PlaceSheet::class))])]
    public function arrange(string $id, Request $request, #[CurrentUser] Account $account): Response
    {
        $before = $this->api->body($request)->uuidOrNull('before');

        return $this->changed($id, fn () => $this->editor->arrange($id, $this->api->version($request), $before, $account->person));
    }

    private function changed(string $id, \Closure $change): Response
    {
        return $this->api->changed($change, fn (): PlaceSheet => $this->views->sheet($id));
    }
}
