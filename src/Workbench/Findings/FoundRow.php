<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Lantern\Core\Finding\Finding;
use Lantern\Core\Finding\FindingWords;

/** A finding as it is kept. */
final class FoundRow
{
    /**
     * @param string $examined key of what was looked at
     *
     * @return array<string, mixed> by column
     */
    public static function of(Finding $finding, string $examined): array
    {
        return [
            'id' => $finding->id,
            'examined' => $examined,
            'kind' => $finding->kind->value,
            'broken' => $finding->kind->isBroken(),
            'subject_type' => $finding->subject->type->value,
            'subject_id' => $finding->subject->id,
            'name' => $finding->subject->name,
            'within' => $finding->subject->within,
            'place' => $finding->subject->where,
            'details' => (object) $finding->details,
            'met' => $finding->met,
            'says' => FindingWords::of($finding),
        ];
    }
}
