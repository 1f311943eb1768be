<?php

declare(strict_types=1);

namespace Lantern\Storefront\Pages;

use Lantern\Core\Address\SplitTarget;
use Lantern\Core\Place\FileType;
use Lantern\Storefront\Http\Caching;
use Lantern\Storefront\Http\Visit;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;

/** Uploaded pictures beside places: shown as long as the file that brought them opens for whoever asks. */
final readonly class UploadedPictures
{
    private const PATH = '#^/-/pictures/(uploads/[0-9a-f]{64}\.(?:png|jpg|gif|webp|svg))$#D';

    public function __construct(#[Autowire(env: 'resolve:LANTERN_FILES')] private string $folder)
    {
    }

    public function answer(Visit $visit, Request $request): ?Response
    {
        if (1 !== preg_match(self::PATH, SplitTarget::of($visit->target)->path, $found)) {
            return null;
        }
        $opens = array_values(array_filter(
            $visit->copy->places->filesStoredAs($found[1]),
            static fn ($file): bool => $file->opensFor($visit->visitor),
        ));
        $type = FileType::ofStoredName($found[1]);
        if ([] === $opens || null === $type || !is_file("{$this->folder}/{$found[1]}")) {
            return new Response('', 404, ['Cache-Control' => 'no-store']);
        }
        $response = new BinaryFileResponse(
            "{$this->folder}/{$found[1]}",
            200,
            ['Content-Type' => $type->value],
            public: Caching::isForAll($opens[0], $visit->visitor),
            autoEtag: true,
        );
        $response->isNotModified($request);

        return $response;
    }
}
