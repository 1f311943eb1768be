<?php

declare(strict_types=1);

namespace Lantern\Workbench\Redirects;

use Lantern\Core\Redirect\Judgement;
use Lantern\Workbench\Edits\Edit;

/** A sheet of redirects whose good lines went in. */
final readonly class TakenSheet
{
    public function __construct(public Judgement $judgement, public Edit $edit)
    {
    }
}
