<?php

declare(strict_types=1);

namespace Lantern\Reading\Mentions;

use Doctrine\DBAL\Connection;
use Lantern\Core\Impact\Steps;
use Lantern\Core\Place\PlaceKind;
use Lantern\Reading\Copies\Copy;

/** How far places are from the front page of a copy. */
final readonly class Distances
{
    public function __construct(private LinkReader $links)
    {
    }

    /**
     * @param list<string> $placeIds
     * @param int          $most     further than this is as far as nowhere
     *
     * @return array<string, int|null> steps, by id; null: no way leads there
     */
    public function to(array $placeIds, Copy $copy, Connection $connection, int $most = Steps::MOST): array
    {
        $front = $copy->places->fixed(PlaceKind::FrontPage);

        return null === $front || [] === $placeIds
            ? array_fill_keys($placeIds, null)
            : (new Steps($this->links->in($copy, $connection), $front->id, $most))->to($placeIds);
    }
}
