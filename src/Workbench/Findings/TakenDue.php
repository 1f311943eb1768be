<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Lantern\Reading\Sql\Row;

/** Changes that were taken from the queue. */
final readonly class TakenDue
{
    /**
     * @param list<string> $subjects that are to be looked at whatever they asked for
     * @param list<string> $keys     of what changed; who asked for one of these is to be looked at
     * @param string       $person   id of whoever made all of it; empty: several did, or nobody
     * @param int          $changes  how many were taken
     */
    private function __construct(public array $subjects, public array $keys, public string $person, public int $changes)
    {
    }

    /** @param list<Row> $rows */
    public static function of(array $rows): self
    {
        $subjects = $keys = $people = [];
        foreach ($rows as $row) {
            $subjects[$row->text('subject')] = true;
            $people[$row->text('person')] = true;
            foreach ($row->texts('keys') as $key) {
                $keys[$key] = true;
            }
        }
        unset($subjects[''], $people['']);

        return new self(
            array_map(strval(...), array_keys($subjects)),
            array_map(strval(...), array_keys($keys)),
            1 === \count($people) ? (string) array_key_first($people) : '',
            \count($rows),
        );
    }
}
