<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Body;
use Lantern\Workbench\People\ReleaseRequest;
use Lantern\Workbench\People\ReleaseRequests as Requests;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What those who edit but do not publish ask of those who do. */
#[AsController]
final readonly class ReleaseRequests
{
    public function __construct(private Requests $requests)
    {
    }

    #[Route('/api/release-requests', methods: ['GET'])]
    #[OA\Get(
        path: '/api/release-requests',
        summary: 'Who asks for what waits to be published',
        responses: [new OA\Response(
            response: 200,
            description: 'The latest first',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: ReleaseRequestView::class)),
        )],
    )]
    public function all(): Response
    {
        return new JsonResponse(array_map(
            static fn (ReleaseRequest $one): ReleaseRequestView => new ReleaseRequestView(
                $one->person,
                $one->note,
                $one->at->format(\DATE_ATOM),
            ),
            $this->requests->all(),
        ));
    }

    #[Route('/api/release-requests', name: 'ask_for_release', methods: ['POST'])]
    #[OA\Post(
        path: '/api/release-requests',
        summary: 'Asks for what waits to be published',
        responses: [new OA\Response(response: 204, description: 'Those who may publish see it')],
    )]
    public function ask(#[Body] ReleaseRequestInput $input, #[CurrentUser] Account $account): Response
    {
        $this->requests->ask($input->note, $account->actor());

        return new Response(status: 204);
    }
}
