<?php

declare(strict_types=1);

namespace Lantern\Admin\Controller;

use Lantern\Admin\Account;
use Lantern\Admin\Api;
use Lantern\Admin\View\DoneView;
use Lantern\Persistence\EditLog;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

#[AsController]
final readonly class Edits
{
    public function __construct(private Api $api, private EditLog $edits)
    {
    }

    #[Route('/api/edits/{id}/undo', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(path: '/api/edits/{id}/undo', summary: 'Takes an edit back that reached many rows', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'The step', content: new OA\JsonContent(ref: DoneView::class))])]
    public function undo(string $id, #[CurrentUser] Account $account): Response
    {
        $edit = $this->edits->get($id, $account->person);
        $this->edits->takeBack($edit, $account->person);

        return $this->api->json(DoneView::of($edit));
    }
}
