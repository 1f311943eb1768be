<?php

declare(strict_types=1);

namespace Lantern\Admin\Controller;

use Lantern\Admin\Account;
use Lantern\Admin\Api;
use Lantern\Admin\PlaceViews;
use Lantern\Admin\View\AddressPlan;
use Lantern\Admin\View\MovedPlace;
use Lantern\Admin\View\PlacePage;
use Lantern\Admin\View\PlaceSheet;
use Lantern\Core\Impact\Readdressed;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\PlaceKind;
use Lantern\Persistence\PlaceEditor;
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
    public function __construct(private Api $api, private PlaceTable $table, private PlaceViews $views, private PlaceEditor $editor)
    {
    }

    #[Route('/api/places', methods: ['GET'])]
    #[OA\Get(path: '/api/places', summary: 'A page of the places on the workbench, by title', parameters: [
        new OA\Parameter(name: 'q', in: 'query', description: 'Words in title, address or kind', schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'kind', in: 'query', schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'light', in: 'query', schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'menu', in: 'query', description: 'none: only places that no menu leads to', schema: new OA\Schema(type: 'string', enum: ['none'])),
        new OA\Parameter(name: 'after', in: 'query', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'The page', content: new OA\JsonContent(ref: PlacePage::class))])]
    public function page(Request $request): Response
    {
        $query = $request->query;
        $after = $query->getString('after');
        $listed = $this->table->page(
            mb_substr($query->getString('q'), 0, 200),
            PlaceKind::tryFrom($query->getString('kind')),
            Light::tryFrom($query->getString('light')),
            'none' === $query->getString('menu'),
            Uuid::isValid($after) ? $after : null,
        );
        $page = \array_slice($listed, 0, PlaceTable::PAGE);

        return $this->api->json(new PlacePage(
            array_map($this->views->row(...), $page),
            \count($listed) > PlaceTable::PAGE ? $page[PlaceTable::PAGE - 1]->place->id : null,
        ));
    }

    #[Route('/api/places/find', methods: ['GET'])]
    #[OA\Get(path: '/api/places/find', summary: 'The places that a few letters could mean, likeliest first', parameters: [
        new OA\Parameter(name: 'q', in: 'query', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'What was found', content: new OA\JsonContent(ref: PlacePage::class))])]
    public function find(Request $request): Response
    {
        return $this->api->json(new PlacePage(array_map($this->views->row(...), $this->table->find(mb_substr($request->query->getString('q'), 0, 200))), null));
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
    #[OA\Patch(path: '/api/places/{id}', summary: 'Gives a place another title or light', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'If-Match', in: 'header', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(properties: [
        new OA\Property(property: 'title', type: 'string', maxLength: 200),
        new OA\Property(property: 'light', type: 'string', enum: ['open', 'quiet', 'closed']),
    ])), responses: [new OA\Response(response: 200, description: 'The place', content: new OA\JsonContent(ref: PlaceSheet::class))])]
    public function rewrite(string $id, Request $request, #[CurrentUser] Account $account): Response
    {
        $body = $this->api->body($request);
        $light = null === $body->textOrNull('light') ? null : $body->choice('light', Light::class, Light::Open);

        return $this->api->changed(
            fn () => $this->editor->rewrite($id, $this->api->version($request), $account->person, $body->textOrNull('title'), $light),
            fn (): PlaceSheet => $this->views->sheet($id),
        );
    }

    #[Route('/api/places/{id}/address-plan', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(path: '/api/places/{id}/address-plan', summary: 'What a change of address would do', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'address', in: 'query', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'below', in: 'query', description: 'carry: what stands below comes along', schema: new OA\Schema(type: 'string', enum: ['carry', 'stay'])),
    ], responses: [new OA\Response(response: 200, description: 'The plan', content: new OA\JsonContent(ref: AddressPlan::class))])]
    public function plan(string $id, Request $request): Response
    {
        $address = $this->api->address($request->query->getString('address'));
        $change = $this->editor->planAddress($id, $address, 'stay' !== $request->query->getString('below'));
        $listed = $this->table->one($id);

        return $this->api->json(new AddressPlan(
            $address->path,
            $change->sentences($listed->menus, $listed->visits, $this->table->outsideMentions($listed->liveAddress ?? '')),
            array_map(static fn (Readdressed $one): MovedPlace => new MovedPlace($one->title, $one->from->path, $one->to->path), $change->moved),
        ));
    }

    #[Route('/api/places/{id}/address', requirements: ['id' => Requirement::UUID], methods: ['PUT'])]
    #[OA\Put(path: '/api/places/{id}/address', summary: 'Changes the address of a place, and makes the redirect from the old one', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'If-Match', in: 'header', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['address'], properties: [
        new OA\Property(property: 'address', type: 'string'),
        new OA\Property(property: 'carryBelow', type: 'boolean', description: 'What stands below comes along; yes where nothing is said'),
    ])), responses: [new OA\Response(response: 200, description: 'The place', content: new OA\JsonContent(ref: PlaceSheet::class))])]
    public function readdress(string $id, Request $request, #[CurrentUser] Account $account): Response
    {
        $body = $this->api->body($request);
        $address = $this->api->address($body->text('address'));

        return $this->api->changed(
            fn () => $this->editor->changeAddress($id, $this->api->version($request), $address, $body->bool('carryBelow', true), $account->person),
            fn (): PlaceSheet => $this->views->sheet($id),
        );
    }
}
