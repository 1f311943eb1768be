<?php

declare(strict_types=1);

namespace Lantern\Admin\Controller;

use Lantern\Admin\Account;
use Lantern\Admin\Api;
use Lantern\Admin\PlaceViews;
use Lantern\Admin\View\DoneView;
use Lantern\Admin\View\PlaceSheet;
use Lantern\Admin\View\RelativesView;
use Lantern\Admin\View\RelativeView;
use Lantern\Admin\View\TouchesView;
use Lantern\Admin\View\TouchView;
use Lantern\Core\Impact\Onward;
use Lantern\Core\Impact\Relative;
use Lantern\Core\Impact\Touch;
use Lantern\Core\Refused;
use Lantern\Persistence\Copies;
use Lantern\Persistence\Fields;
use Lantern\Persistence\Journal\Edit;
use Lantern\Persistence\NotThere;
use Lantern\Persistence\PlaceRemover;
use Lantern\Persistence\RelativeReader;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The end of a place, and where its visitors go. */
#[AsController]
#[OA\Schema(schema: 'OnwardInput', required: ['answer'], properties: [
    new OA\Property(property: 'answer', type: 'string', enum: ['elsewhere', 'gone', 'not-found']),
    new OA\Property(property: 'to', type: 'string', nullable: true, description: 'Id of the place that visitors are led to, with elsewhere'),
])]
final readonly class Removals
{
    public function __construct(private Api $api, private PlaceRemover $remover, private RelativeReader $relatives, private PlaceViews $views, private Copies $copies)
    {
    }

    #[Route('/api/places/{id}/relatives', requirements: ['id' => Requirement::UUID], methods: ['GET'])]
    #[OA\Get(path: '/api/places/{id}/relatives', summary: 'Where the visitors of a place could go, should it be no more', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'Nearest first', content: new OA\JsonContent(ref: RelativesView::class))])]
    public function relatives(string $id): Response
    {
        $place = $this->copies->workbench->places->get($id) ?? throw NotThere::place();

        return $this->api->json(new RelativesView(array_map(fn (Relative $one): RelativeView => new RelativeView($this->views->brief($one->place), $one->why), $this->relatives->of($place))));
    }

    #[Route('/api/places/{id}/removal-plan', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(path: '/api/places/{id}/removal-plan', summary: 'What it would do to remove a place', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/OnwardInput')), responses: [new OA\Response(response: 200, description: 'What it touches', content: new OA\JsonContent(ref: TouchesView::class))])]
    public function plan(string $id, Request $request): Response
    {
        $removal = $this->remover->plan($id, $this->onward($this->api->body($request)));

        return $this->api->json(new TouchesView(array_map(static fn (Touch $touch): TouchView => new TouchView($touch->sentence, $touch->breaks), $removal->touches)));
    }

    #[Route('/api/places/{id}/removal', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(path: '/api/places/{id}/removal', summary: 'Removes a place, and leads its visitors on', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'If-Match', in: 'header', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/OnwardInput')), responses: [new OA\Response(response: 200, description: 'The edit', content: new OA\JsonContent(ref: DoneView::class))])]
    public function remove(string $id, Request $request, #[CurrentUser] Account $account): Response
    {
        $onward = $this->onward($this->api->body($request));

        return $this->api->edited(
            fn (): Edit => $this->remover->remove($id, $this->api->version($request), $onward, $account->person),
            fn (): PlaceSheet => $this->views->sheet($id),
        );
    }

    private function onward(Fields $body): Onward
    {
        return match ($body->text('answer')) {
            'elsewhere' => Onward::to($this->copies->workbench->places->get($body->uuidOrNull('to') ?? throw new Refused('to', 'Choose the place that visitors are led to.')) ?? throw NotThere::place()),
            'gone' => Onward::gone(),
            'not-found' => Onward::notFound(),
            default => throw new Refused('answer', 'Say where visitors go: elsewhere, gone or not-found.'),
        };
    }
}
