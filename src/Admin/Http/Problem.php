<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;

/** An error that says what is wrong and what to do (RFC 9457). */
#[OA\Schema]
final readonly class Problem implements \JsonSerializable
{
    public function __construct(
        #[OA\Property]
        public int $status,
        #[OA\Property]
        public string $title,
        #[OA\Property]
        public string $detail,
        #[OA\Property(description: 'The input it is about')]
        public ?string $field = null,
        #[OA\Property(description: 'With 412: the thing as it is now', type: 'object')]
        public ?object $current = null,
    ) {
    }

    public function response(): JsonResponse
    {
        return new JsonResponse($this, $this->status, ['Content-Type' => 'application/problem+json', 'Cache-Control' => 'no-store']);
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return ['type' => 'about:blank'] + array_filter(get_object_vars($this), static fn (mixed $value): bool => null !== $value);
    }
}
