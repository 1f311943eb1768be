<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Core\Address\Address;
use Lantern\Core\Refused;
use Lantern\Workbench\Addresses\OutsideMentions;
use OpenApi\Attributes as OA;
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
    #[OA\Get(
        path: '/api/places/{id}/mentions',
        summary: 'Everything that leads to a place',
        responses: [new OA\Response(response: 200, description: 'The mentions', content: new OA\JsonContent(ref: MentionsView::class))],
    )]
    public function mentions(string $id): Response
    {
        return $this->api->json($this->views->mentions($id));
    }

    #[Route('/api/places/{id}/outside-mentions', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(
        path: '/api/places/{id}/outside-mentions',
        summary: 'Notes where an address of the shop stands outside of it',
        responses: [new OA\Response(
            response: 200,
            description: 'The mentions of the place',
            content: new OA\JsonContent(ref: MentionsView::class),
        )],
    )]
    public function add(string $id, #[Body] OutsideMentionInput $input, #[CurrentUser] Account $account): Response
    {
        $sheet = $this->views->sheet($id);
        if (null === $sheet->liveAddress) {
            throw new Refused('name', 'No visitor knows this place yet. Publish it first; then its address can stand somewhere.');
        }
        $this->outside->add($input->kind, $input->name, Address::fromNormal($sheet->liveAddress), $account->actor());

        return $this->mentions($id);
    }

    #[Route('/api/outside-mentions/{id}', requirements: ['id' => Requirement::UUID], methods: ['DELETE'])]
    #[OA\Delete(
        path: '/api/outside-mentions/{id}',
        summary: 'Takes an outside mention off the list',
        responses: [new OA\Response(response: 204, description: 'It is off the list')],
    )]
    public function remove(string $id, #[CurrentUser] Account $account): Response
    {
        $this->outside->remove($id, $account->actor());

        return new Response('', 204);
    }
}
