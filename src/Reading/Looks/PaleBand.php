<?php

declare(strict_types=1);

namespace Lantern\Reading\Looks;

use Lantern\Core\Piece\Pale;

/** One colour that is not read on the ground of a band or panel. */
final readonly class PaleBand
{
    /**
     * @param string $menuId of what it is laid out in
     * @param string $kind   of that: page, panel
     * @param string $name   of that, as people know it
     */
    public function __construct(public string $menuId, public string $kind, public string $bandId, public string $name, public Pale $pale)
    {
    }
}
