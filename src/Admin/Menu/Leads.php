<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\QueryInput;
use Lantern\Admin\Place\PlaceViews;
use Lantern\Core\NotThere;
use Lantern\Core\Outline\TypedLead;
use Lantern\Core\Place\PlaceKind;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Places\PlaceTable;
use Lantern\Reading\Spots\FoundSpot;
use Lantern\Reading\Spots\SpotFinder;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;

/** What a line that is typed can lead to, and where a place can go into menus. */
#[AsController]
final readonly class Leads
{
    public function __construct(
        private Api $api,
        private PlaceTable $table,
        private PlaceViews $views,
        private Copies $copies,
        private SpotFinder $spots,
    ) {
    }

    #[Route('/api/places/find', methods: ['GET'])]
    #[OA\Get(
        path: '/api/places/find',
        summary: 'What a few letters could mean, likeliest first',
        responses: [new OA\Response(response: 200, description: 'What was found', content: new OA\JsonContent(ref: FoundView::class))],
    )]
    public function find(#[QueryInput] FindQuery $query = new FindQuery()): Response
    {
        $words = mb_substr($query->q, 0, 200);
        $leads = array_map(static function (TypedLead $lead): TypedLeadView {
            $target = TargetView::of($lead->target);

            return new TypedLeadView($target->kind, $target->uri, $lead->label, $lead->words);
        }, TypedLead::all($query->q));

        return $this->api->json(new FoundView(
            $this->views->rows($this->table->find($words, PlaceKind::tryFrom($query->kind))),
            $leads,
            array_map(static fn (PlaceKind $kind): string => $kind->value, PlaceKind::madeFromTitle($words)),
        ));
    }

    #[Route('/api/places/{id}/spots', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(
        path: '/api/places/{id}/spots',
        summary: 'Where a place can go into menus, by letters of the spot',
        responses: [new OA\Response(response: 200, description: 'Spots', content: new OA\JsonContent(ref: SpotsView::class))],
    )]
    public function spots(string $id, #[QueryInput] SpotsQuery $query = new SpotsQuery()): Response
    {
        $place = $this->copies->workbench->places->get($id) ?? throw NotThere::place();

        return $this->api->json(new SpotsView(array_map(
            static fn (FoundSpot $one): SpotView => new SpotView(
                $one->menuId,
                $one->version,
                $one->spot->at->parentId,
                $one->spot->at->index,
                $one->spot->words(),
                $one->isThere,
                $one->fit,
            ),
            $this->spots->find($place, $query->q),
        )));
    }
}
