<?php

declare(strict_types=1);

namespace Lantern\Admin\Edit;

use Lantern\Workbench\Edits\PastStep;
use OpenApi\Attributes as OA;

/** What the person who asks can take back, and make again. */
#[OA\Schema]
final readonly class HistoryView
{
    public function __construct(
        #[OA\Property(description: 'What undo would take back now, in words; null: nothing')]
        public ?string $undo,
        #[OA\Property(description: 'What redo would make again now, in words; null: nothing')]
        public ?string $redo,
        #[OA\Property(description: 'What was just taken back or made again, in words')]
        public ?string $done = null,
        #[OA\Property(description: 'The menu in which that was')]
        public ?string $menuId = null,
    ) {
    }

    public static function of(?PastStep $undo, ?PastStep $redo, ?PastStep $done = null): self
    {
        return new self($undo?->sentence, $redo?->sentence, $done?->sentence, $done?->menuId);
    }
}
