<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\Costly;
use Lantern\Admin\Http\DoneView;
use Lantern\Admin\Http\IfMatch;
use Lantern\Admin\Http\Limited;
use Lantern\Admin\Http\Routes;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\PlaceParent;
use Lantern\Core\Place\StoredFile;
use Lantern\Core\Refused;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Places\FileStore;
use Lantern\Workbench\Places\ManyPlaces;
use Lantern\Workbench\Places\PlaceMaker;
use Lantern\Workbench\Places\Upload;
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
    #[OA\Post(
        path: '/api/places',
        summary: 'Makes a place; its address is made from its title',
        responses: [new OA\Response(response: 200, description: 'The place', content: new OA\JsonContent(ref: MadePlace::class))],
    )]
    public function make(#[Body] NewPlaceInput $input, #[CurrentUser] Account $account): Response
    {
        return $this->made(
            $input->kind,
            fn (): string => $this->maker->make(
                $input->kind,
                $input->title,
                new PlaceParent($input->parent),
                $account->actor(),
                $input->light,
            ),
        );
    }

    #[Route('/api/places/{id}/duplicate', requirements: ['id' => Requirement::UUID], methods: ['POST'])]
    #[OA\Post(
        path: '/api/places/{id}/duplicate',
        summary: 'Makes another place with the same words and listing',
        responses: [new OA\Response(response: 200, description: 'The new place', content: new OA\JsonContent(ref: MadePlace::class))],
    )]
    public function duplicate(string $id, #[CurrentUser] Account $account): Response
    {
        return $this->made(null, fn (): string => $this->maker->duplicate($id, $account->actor()));
    }

    #[Limited(Costly::Upload)]
    #[Route('/api/files', methods: ['POST'], defaults: [Routes::TAKES_FILE => true])]
    #[OA\Post(
        path: '/api/files',
        summary: 'Uploads a file, as the field “file” of a form',
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\MediaType(
                mediaType: 'multipart/form-data',
                schema: new OA\Schema(
                    required: ['file'],
                    properties: [new OA\Property(property: 'file', type: 'string', format: 'binary')],
                ),
            ),
        ),
        responses: [new OA\Response(response: 200, description: 'The file as a place', content: new OA\JsonContent(ref: MadePlace::class))],
    )]
    public function upload(Request $request, #[CurrentUser] Account $account): Response
    {
        $upload = self::uploaded($request);

        return $this->files->keeping(
            $upload,
            fn (StoredFile $file): Response => $this->made(
                PlaceKind::File,
                fn (): string => $this->maker->makeFile($upload->name, $file, $account->actor()),
            ),
        );
    }

    #[Limited(Costly::Upload)]
    #[Route('/api/places/{id}/file', requirements: ['id' => Requirement::UUID], methods: ['POST'], defaults: [Routes::TAKES_FILE => true])]
    #[OA\Post(
        path: '/api/places/{id}/file',
        summary: 'Puts other bytes at the address of a file',
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\MediaType(
                mediaType: 'multipart/form-data',
                schema: new OA\Schema(
                    required: ['file'],
                    properties: [new OA\Property(property: 'file', type: 'string', format: 'binary')],
                ),
            ),
        ),
        responses: [new OA\Response(response: 200, description: 'The file', content: new OA\JsonContent(ref: PlaceSheet::class))],
    )]
    public function replace(string $id, Request $request, #[IfMatch] int $version, #[CurrentUser] Account $account): Response
    {
        return $this->files->keeping(self::uploaded($request), fn (StoredFile $file): Response => $this->api->changed(
            fn () => $this->maker->replaceFile($id, $version, $file, $account->actor()),
            fn (): PlaceSheet => $this->views->sheet($id),
        ));
    }

    #[Route('/api/places/many', methods: ['POST'])]
    #[OA\Post(
        path: '/api/places/many',
        summary: 'Changes many places as one step',
        responses: [new OA\Response(response: 200, description: 'The step', content: new OA\JsonContent(ref: DoneView::class))],
    )]
    public function change(#[Body] ManyPlacesInput $input, #[CurrentUser] Account $account): Response
    {
        $input->refuseNothing();

        return $this->api->edited(fn (): Edit => $this->many->change(
            $input->places,
            $input->light,
            $input->standing(),
            $input->listed,
            $account->actor(),
            $input->closing(),
        ));
    }

    /** @param \Closure(): string $make gives the id of what it made */
    private function made(?PlaceKind $kind, \Closure $make): Response
    {
        return $this->api->changed(
            $make,
            fn (?string $made): MadePlace => new MadePlace($made ?? '', $kind->value ?? $this->views->sheet($made ?? '')->place->kind),
        );
    }

    /** @throws Refused where none arrived */
    private static function uploaded(Request $request): Upload
    {
        $upload = $request->files->get('file');
        if (!$upload instanceof UploadedFile) {
            throw new Refused('file', 'No file arrived. Choose one, then upload it.');
        }
        if (!$upload->isValid()) {
            throw new Refused(
                'file',
                \in_array($upload->getError(), [\UPLOAD_ERR_INI_SIZE, \UPLOAD_ERR_FORM_SIZE], true)
                    ? 'A file has at most 20 MB. Make it smaller, or link to it elsewhere.'
                    : 'The file did not arrive whole. Upload it again.',
            );
        }

        return new Upload(
            $upload->getPathname(),
            mb_substr(str_replace("\0", '', mb_scrub($upload->getClientOriginalName(), 'UTF-8')), -200),
        );
    }
}
