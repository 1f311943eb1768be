<?php

declare(strict_types=1);

namespace Lantern\Reading\Sql;

use Doctrine\DBAL\SQL\Parser\Visitor;

/** Writes a statement with the parameters that a server prepares it with: each name has one number, wherever it stands. */
final class NumberedParameters implements Visitor
{
    public string $sql = '';
    /** @var list<int|string> names, or positions from 1 on, by number from 0 on */
    public array $names = [];
    private int $position = 0;

    public function acceptPositionalParameter(string $sql): void
    {
        $this->names[] = ++$this->position;
        $this->sql .= '$'.\count($this->names);
    }

    public function acceptNamedParameter(string $sql): void
    {
        $name = ltrim($sql, ':');
        $at = array_search($name, $this->names, true);
        if (false === $at) {
            $this->names[] = $name;
            $at = \count($this->names) - 1;
        }
        $this->sql .= '$'.($at + 1);
    }

    public function acceptOther(string $sql): void
    {
        $this->sql .= $sql;
    }
}
