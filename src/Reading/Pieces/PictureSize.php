<?php

declare(strict_types=1);

namespace Lantern\Reading\Pieces;

/** In pixels; of a drawing, in what it says that it is. */
final readonly class PictureSize
{
    public function __construct(public int $width, public int $height)
    {
    }
}
