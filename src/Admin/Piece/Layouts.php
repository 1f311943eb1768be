<?php

declare(strict_types=1);

namespace Lantern\Admin\Piece;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Menu\MenuView;
use Lantern\Admin\Menu\MenuViews;
use Lantern\Admin\Menu\NewEntries;
use Lantern\Core\Visitor;
use Lantern\Workbench\Pieces\LayoutMaker;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What is laid out is edited like a menu, under the id of its place or entry; here it begins. */
#[AsController]
final readonly class Layouts
{
    public function __construct(private Api $api, private MenuViews $views, private LayoutMaker $maker)
    {
    }

    #[Route('/api/places/{id}/layout', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(
        path: '/api/places/{id}/layout',
        summary: 'Lays the body of a page out in bands, its words the first piece',
        responses: [new OA\Response(
            response: 200,
            description: 'The page as it is edited',
            content: new OA\JsonContent(ref: MenuView::class),
        )],
    )]
    public function page(string $id, #[CurrentUser] Account $account): Response
    {
        $this->maker->page($id, $account->actor());

        return $this->shown($id);
    }

    #[Route('/api/menus/{id}/panels/{entry}', requirements: ['id' => Requirement::UUID, 'entry' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(
        path: '/api/menus/{id}/panels/{entry}',
        summary: 'Makes a wide panel of the dropdown below an entry of the first level',
        responses: [new OA\Response(
            response: 200,
            description: 'The panel as it is edited',
            content: new OA\JsonContent(ref: MenuView::class),
        )],
    )]
    public function panel(string $id, string $entry, #[CurrentUser] Account $account): Response
    {
        $this->maker->panel($id, $entry, $account->actor());

        return $this->shown($entry);
    }

    #[Route('/api/menus/{id}/entries', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(
        path: '/api/menus/{id}/entries',
        summary: 'Puts entries into a menu together with the wide panels that they open',
        responses: [new OA\Response(response: 200, description: 'The menu', content: new OA\JsonContent(ref: MenuView::class))],
    )]
    public function entries(string $id, #[Body] NewEntries $input, #[CurrentUser] Account $account): Response
    {
        $this->maker->entries($id, $input->entries, $input->panels, $input->at, $account->actor());

        return $this->shown($id);
    }

    private function shown(string $id): Response
    {
        return $this->api->json($this->views->menu($id, Visitor::guest($this->api->now())));
    }
}
