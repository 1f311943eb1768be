<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Opening;
use Lantern\Core\Refused;

/** One line of a menu, with all that stands below it. */
final readonly class Entry
{
    public const MAX_LABEL = 200;
    public const MAX_NOTE = 500;

    /**
     * @param string      $id       UUIDv7
     * @param string|null $label    null: the label follows the title of the place
     * @param list<Entry> $children made by hand; those that fill themselves in come after them
     */
    public function __construct(
        public string $id,
        public Target $target,
        public ?string $label = null,
        public array $children = [],
        public bool $enabled = true,
        public Audience $audience = Audience::Everyone,
        public Opening $opening = new Opening(),
        public bool $newTab = false,
        public string $note = '',
        public ?SelfFilling $filling = null,
    ) {
        if (null !== $label && mb_strlen($label) > self::MAX_LABEL) {
            throw new Refused('label', \sprintf('A label has at most %d characters; this one has %d. Shorten it.', self::MAX_LABEL, mb_strlen($label)));
        }
        if (null !== $label && '' === trim($label)) {
            throw new Refused('label', 'A label cannot be empty. Type one, or let it follow the title of its place.');
        }
        if (null === $label && !$target instanceof PlaceTarget) {
            throw new Refused('label', 'Only an entry that leads to a place takes its label from there. Type a label.');
        }
        if ($newTab && !$target instanceof OutsideTarget) {
            throw new Refused('newTab', 'Only outside addresses open in a new tab.');
        }
        if (mb_strlen($note) > self::MAX_NOTE) {
            throw new Refused('note', \sprintf('A note has at most %d characters. Shorten it.', self::MAX_NOTE));
        }
    }

    /** @param list<Entry> $children */
    public function withChildren(array $children): self
    {
        return new self($this->id, $this->target, $this->label, $children, $this->enabled, $this->audience, $this->opening, $this->newTab, $this->note, $this->filling);
    }

    /** How many levels this entry and what is below it take up, filled in by itself or by hand: 1 for an entry without children. */
    public function height(): int
    {
        return 1 + array_reduce($this->children, static fn (int $most, self $child): int => max($most, $child->height()), $this->filling->depth ?? 0);
    }

    /** @return list<string> the ids of this entry and of all below it */
    public function ids(): array
    {
        return array_merge([$this->id], ...array_map(static fn (self $child): array => $child->ids(), $this->children));
    }
}
