<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;

#[AsController]
final readonly class Description
{
    public function __construct(private ApiDescription $description)
    {
    }

    #[Route('/api/openapi.json', methods: ['GET'])]
    public function description(): Response
    {
        return new Response($this->description->json(), 200, ['Content-Type' => 'application/json']);
    }
}
