<?php

declare(strict_types=1);

namespace Lantern\Admin\Edit;

use Lantern\Reading\News\ChangedThing;
use Lantern\Reading\News\ChangedThings;
use OpenApi\Attributes as OA;

/** What changed since it was asked before. */
#[OA\Schema]
final readonly class NewsView
{
    /** @param list<ChangedView> $changed */
    public function __construct(
        #[OA\Property(description: 'To ask with the next time')]
        public string $mark,
        #[OA\Property(description: 'Whether it is so long ago that anything may have changed')]
        public bool $everything,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChangedView::class))]
        public array $changed,
    ) {
    }

    public static function of(ChangedThings $news): self
    {
        return new self(
            $news->mark,
            $news->everything,
            array_map(static fn (ChangedThing $one): ChangedView => new ChangedView($one->about, $one->id), $news->changed),
        );
    }
}
