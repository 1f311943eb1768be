<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

/** One edit that reached several rows, and is taken back as one. */
final readonly class Edit
{
    /**
     * @param string       $sentence what was done, for a person
     * @param array<string, MenuReversal> $menus what leads back in the menus that followed, by id
     * @param list<string> $made     ids of the places that it made
     */
    public function __construct(
        public string $id,
        public string $personId,
        public Subject $about,
        public string $sentence,
        public array $menus = [],
        public array $made = [],
    ) {
    }
}
