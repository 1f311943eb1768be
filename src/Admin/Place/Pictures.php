<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Core\NotThere;
use Lantern\Core\Place\FileType;
use Lantern\Workbench\Places\FileStore;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;

/** Uploaded pictures for those who work here, published or not. */
#[AsController]
final readonly class Pictures
{
    public function __construct(private FileStore $files)
    {
    }

    #[Route('/api/pictures/{name}', requirements: ['name' => '[0-9a-f]{64}\.(?:png|jpg|gif|webp|svg)'], methods: ['GET'])]
    #[OA\Get(
        path: '/api/pictures/{name}',
        summary: 'An uploaded picture of the workbench',
        responses: [new OA\Response(response: 200, description: 'The picture')],
    )]
    public function picture(string $name): Response
    {
        $path = $this->files->pathOf("uploads/$name") ?? throw new NotThere('There is no such picture.');

        return new BinaryFileResponse(
            $path,
            200,
            [
                'Content-Type' => FileType::ofStoredName($name)->value ?? 'application/octet-stream',
                'Cache-Control' => 'private, max-age=3600',
                'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; sandbox",
            ],
            public: false,
        );
    }
}
