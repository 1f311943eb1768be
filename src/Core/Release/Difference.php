<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

/** One thing that differs between two copies. */
final readonly class Difference
{
    /**
     * @param string             $id          of the thing
     * @param string             $subjectId   of what a person would name: the menu of an entry, the place of a text
     * @param string             $subjectName empty where it is no longer there
     * @param string             $name        as it is now: title, label, source
     * @param string             $formerName  as it was
     * @param string             $leads       where it stands or leads: an address, a goal, the menu that hangs there
     * @param string             $kind        of a place, in words
     * @param list<AspectChange> $aspects     what differs, where it is in both
     */
    public function __construct(
        public Thing $thing,
        public string $id,
        public string $subjectId,
        public string $subjectName,
        public Presence $presence,
        public string $name = '',
        public string $formerName = '',
        public string $leads = '',
        public string $kind = '',
        public array $aspects = [],
    ) {
    }
}
