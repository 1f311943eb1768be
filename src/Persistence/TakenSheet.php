<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Lantern\Core\Redirect\Judgement;
use Lantern\Persistence\Journal\Edit;

/** A sheet of redirects whose good lines went in. */
final readonly class TakenSheet
{
    public function __construct(public Judgement $judgement, public Edit $edit)
    {
    }
}
