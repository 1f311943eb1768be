<?php

declare(strict_types=1);

namespace Lantern\Core\Person;

/** Whoever does something here. The id says who it is; the name is only shown, and two people may share one. */
final readonly class Actor
{
    private const COMMAND_LINE = '00000000-0000-0000-0000-000000000000';

    /** @param string|null $id null: nobody who works here, such as a stranger who tries to sign in */
    public function __construct(public ?string $id, public string $name, public ?Role $role)
    {
    }

    /** Whoever works by bin/console. */
    public static function commandLine(string $name = 'the command line'): self
    {
        return new self(self::COMMAND_LINE, $name, Role::Publisher);
    }

    public static function nobody(): self
    {
        return new self(null, '', null);
    }

    /** Of whoever makes an edit: that is always somebody. */
    public function personId(): string
    {
        return $this->id ?? throw new \LogicException('Nobody makes no edits.');
    }

    public function equals(self $other): bool
    {
        return null !== $this->id && $this->id === $other->id;
    }
}
