<?php

declare(strict_types=1);

namespace Lantern\Persistence\Journal;

/** One edit that reached several rows, and is taken back as one. */
final readonly class Edit
{
    /**
     * @param string       $about    what it was about: places, frame or redirects
     * @param string       $sentence what was done, for a person
     * @param array<string, array{version: int, inverse: array<string, mixed>}> $menus what leads back in the menus that followed, see MenuMoves
     * @param list<string> $made     ids of the places that it made
     */
    public function __construct(public string $id, public string $personId, public string $about, public string $sentence, public array $menus = [], public array $made = [])
    {
    }
}
