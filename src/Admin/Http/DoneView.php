<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Lantern\Workbench\Edits\Edit;
use OpenApi\Attributes as OA;

/** A step that changed many places, to be taken back as one. */
#[OA\Schema]
final readonly class DoneView
{
    /**
     * @param list<string> $places
     */
    public function __construct(
        #[OA\Property]
        public string $step,
        #[OA\Property]
        public string $sentence,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'Ids of places that were made by it')]
        public array $places,
    ) {
    }

    public static function of(Edit $edit): self
    {
        return new self($edit->id, $edit->sentence, $edit->made);
    }
}
