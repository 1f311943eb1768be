<?php

declare(strict_types=1);

namespace Lantern\Admin\Controller;

use Lantern\Admin\Account;
use Lantern\Admin\Api;
use Lantern\Admin\PlaceViews;
use Lantern\Admin\View\MentionsView;
use Lantern\Core\Refused;
use Lantern\Persistence\OutsideMentions;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What leads to a place, in the shop and outside of it. */
#[AsController]
final readonly class Mentions
{
    public function __construct(private Api $api, private PlaceViews $views, private OutsideMentions $outside)
    {
    }

    #[Route('/api/places/{id}/mentions', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(path: '/api/places/{id}/mentions', summary: 'Everything that leads to a place', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'The mentions', content: new OA\JsonContent(ref: MentionsView::class))])]
    public function mentions(string $id): Response
    {
        return $this->api->json($this->views->mentions($id));
    }

    #[Route('/api/places/{id}/outside-mentions', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(path: '/api/places/{id}/outside-mentions', summary: 'Notes where an address of the shop stands outside of it', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['kind', 'name'], properties: [
        new OA\Property(property: 'kind', type: 'string', description: 'Such as advertisement, printed code or profile'),
        new OA\Property(property: 'name', type: 'string'),
    ])), responses: [new OA\Response(response: 200, description: 'The mentions of the place', content: new OA\JsonContent(ref: MentionsView::class))])]
    public function add(string $id, Request $request, #[CurrentUser] Account $account): Response
    {
        $body = $this->api->body($request);
        $sheet = $this->views->sheet($id);
        if (null === $sheet->liveAddress) {
            throw new Refused('name', 'No visitor knows this place yet. Publish it first; then its address can stand somewhere.');
        }
        $this->outside->add($body->text('kind'), $body->text('name'), $this->api->address($sheet->liveAddress), $account->person);

        return $this->mentions($id);
    }

    #[Route('/api/outside-mentions/{id}', requirements: ['id' => Requirement::UUID], methods: ['DELETE'])]
    #[OA\Delete(path: '/api/outside-mentions/{id}', summary: 'Takes an outside mention off the list', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 204, description: 'It is off the list')])]
    public function remove(string $id): Response
    {
        $this->outside->remove($id);

        return new Response('', 204);
    }
}
