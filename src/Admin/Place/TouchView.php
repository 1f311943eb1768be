<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Core\Impact\Touch;
use Lantern\Core\Impact\TouchKind;
use Lantern\Core\Impact\TouchWords;
use OpenApi\Attributes as OA;

/** One thing that a change reaches. */
#[OA\Schema]
final readonly class TouchView
{
    public function __construct(
        #[OA\Property(type: 'string', enum: TouchKind::class)]
        public TouchKind $kind,
        #[OA\Property]
        public string $sentence,
        #[OA\Property(description: 'Whether something that works now would not work any more')]
        public bool $breaks,
    ) {
    }

    public static function of(Touch $touch): self
    {
        return new self($touch->kind, TouchWords::of($touch), $touch->breaks);
    }
}
