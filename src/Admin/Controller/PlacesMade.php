<?php

declare(strict_types=1);

namespace Lantern\Admin\Controller;

use Lantern\Admin\Account;
use Lantern\Admin\Api;
use Lantern\Admin\PlaceViews;
use Lantern\Admin\View\DoneView;
use Lantern\Admin\View\MadePlace;
use Lantern\Admin\View\PlaceSheet;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Closing;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\Standing;
use Lantern\Core\Refused;
use Lantern\Persistence\FileStore;
use Lantern\Persistence\ManyPlaces;
use Lantern\Persistence\PlaceMaker;
use Lantern\Persistence\StoredFile;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Places that are made, duplicated, uploaded, taken away, or changed many at once. */
#[AsController]
final readonly class PlacesMade
{
    public function __construct(
        private Api $api,
        private PlaceViews $views,
        private PlaceMaker $maker,
        private ManyPlaces $many,
        private FileStore $files,
    ) {
    }

    #[Route('/api/places', methods: ['POST'])]
    #[OA\Post(path: '/api/places', summary: 'Makes a place; its address is made from its title', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['kind', 'title'], properties: [
        new OA\Property(property: 'kind', type: 'string', enum: ['page', 'policy', 'page-group', 'category', 'collection', 'article']),
        new OA\Property(property: 'title', type: 'string', maxLength: 200),
        new OA\Property(property: 'parent', type: 'string', nullable: true, description: 'Id of the place that it stands below'),
    ])), responses: [new OA\Response(response: 200, description: 'The place', content: new OA\JsonContent(ref: MadePlace::class))])]
    public function make(Request $request, #[CurrentUser] Account $account): Response
    {
        $body = $this->api->body($request);
        $kind = PlaceKind::tryFrom($body->text('kind')) ?? throw new Refused('kind', 'There is no such kind of place.');

        return $this->api->json(new MadePlace($this->maker->make($kind, $body->text('title'), new Standing($body->uuidOrNull('parent')), $account->person), $kind->value));
    }

    #[Route('/api/places/{id}/duplicate', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(path: '/api/places/{id}/duplicate', summary: 'Makes another place with the same words and listing', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'The new place', content: new OA\JsonContent(ref: MadePlace::class))])]
    public function duplicate(string $id, #[CurrentUser] Account $account): Response
    {
        $made = $this->maker->duplicate($id, $account->person);

        return $this->api->json(new MadePlace($made, $this->views->sheet($made)->place->kind));
    }

    #[Route('/api/files', methods: ['POST'])]
    #[OA\Post(path: '/api/files', summary: 'Uploads a file, as the field “file” of a form', requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['file'], properties: [
        new OA\Property(property: 'file', type: 'string', format: 'binary'),
    ]))), responses: [new OA\Response(response: 200, description: 'The file as a place', content: new OA\JsonContent(ref: MadePlace::class))])]
    public function upload(Request $request, #[CurrentUser] Account $account): Response
    {
        [$name, $file] = $this->stored($request);

        return $this->api->json(new MadePlace($this->maker->makeFile($name, $file, $account->person), PlaceKind::File->value));
    }

    #[Route('/api/places/{id}/file', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(path: '/api/places/{id}/file', summary: 'Puts other bytes at the address of a file', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'If-Match', in: 'header', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['file'], properties: [
        new OA\Property(property: 'file', type: 'string', format: 'binary'),
    ]))), responses: [new OA\Response(response: 200, description: 'The file', content: new OA\JsonContent(ref: PlaceSheet::class))])]
    public function replace(string $id, Request $request, #[CurrentUser] Account $account): Response
    {
        [, $file] = $this->stored($request);

        return $this->api->changed(
            fn () => $this->maker->replaceFile($id, $this->api->version($request), $file, $account->person),
            fn (): PlaceSheet => $this->views->sheet($id),
        );
    }

    #[Route('/api/places/many', methods: ['POST'])]
    #[OA\Post(path: '/api/places/many', summary: 'Changes many places as one step', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['places'], properties: [
        new OA\Property(property: 'places', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'light', type: 'string', enum: ['open', 'quiet', 'closed']),
        new OA\Property(property: 'parent', type: 'string', nullable: true, description: 'Null: in no group'),
        new OA\Property(property: 'listed', type: 'boolean'),
        new OA\Property(property: 'answer', type: 'string', enum: ['not-found', 'gone', 'elsewhere'], description: 'Where visitors go while they are closed'),
        new OA\Property(property: 'to', type: 'string', nullable: true),
    ])), responses: [new OA\Response(response: 200, description: 'The step', content: new OA\JsonContent(ref: DoneView::class))])]
    public function change(Request $request, #[CurrentUser] Account $account): Response
    {
        $body = $this->api->body($request);
        if (!$body->has('light') && !$body->has('parent') && !$body->has('listed')) {
            throw new Refused('body', 'Say what shall become different: light, parent or listed.');
        }
        $step = $this->many->change(
            $body->uuids('places'),
            $body->has('light') ? $body->choice('light', Light::class, Light::Open) : null,
            $body->has('parent') ? new Standing($body->uuidOrNull('parent')) : null,
            $body->has('listed') ? $body->bool('listed', true) : null,
            $account->person,
            $body->has('answer') ? new Closing($body->choice('answer', ClosedAnswer::class, ClosedAnswer::NotFound), $body->uuidOrNull('to')) : null,
        );

        return $this->api->json(DoneView::of($step));
    }

    /** @return array{string, StoredFile} the name its sender gave it, and its bytes */
    private function stored(Request $request): array
    {
        $upload = $request->files->get('file');
        if (!$upload instanceof UploadedFile) {
            throw new Refused('file', 'No file arrived. Choose one, then upload it.');
        }
        if (!$upload->isValid()) {
            throw new Refused('file', \in_array($upload->getError(), [\UPLOAD_ERR_INI_SIZE, \UPLOAD_ERR_FORM_SIZE], true) ? 'A file has at most 20 MB. Make it smaller, or link to it elsewhere.' : 'The file did not arrive whole. Upload it again.');
        }
        $name = $upload->getClientOriginalName();

        return [$name, $this->files->keep($upload->getPathname(), $name)];
    }
}
