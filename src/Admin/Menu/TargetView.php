<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Core\Menu\ContactTarget;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Target;
use Lantern\Core\Place\Place;
use OpenApi\Attributes as OA;

/** What an entry leads to. */
#[OA\Schema]
final readonly class TargetView
{
    public function __construct(
        #[OA\Property(enum: ['place', 'outside', 'contact', 'heading'])]
        public string $kind,
        #[OA\Property]
        public ?string $placeId,
        #[OA\Property]
        public string $part,
        #[OA\Property]
        public string $uri,
        #[OA\Property]
        public ?NarrowingView $narrowing,
    ) {
    }

    /** @param array<string, Place> $places those that it leads to, by id */
    public static function of(Target $target, array $places = []): self
    {
        $narrowing = $target instanceof PlaceTarget && !$target->narrowing->isNone() ? $target->narrowing : null;

        return new self(
            match (true) {
                $target instanceof PlaceTarget => 'place',
                $target instanceof OutsideTarget => 'outside',
                $target instanceof ContactTarget => 'contact',
                default => 'heading',
            },
            $target instanceof PlaceTarget ? $target->placeId : null,
            $target instanceof PlaceTarget ? $target->part : '',
            match (true) {
                $target instanceof OutsideTarget => $target->url,
                $target instanceof ContactTarget => $target->uri,
                default => '',
            },
            null === $narrowing ? null : NarrowingView::of($narrowing, $places),
        );
    }
}
