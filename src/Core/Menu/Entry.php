<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Opening;
use Lantern\Core\Refused;
use Lantern\Core\With;

/** One line of a menu, with all that stands below it. */
final readonly class Entry
{
    use With;

    public const MAX_LABEL = 200;
    public const MAX_NOTE = 500;

    /**
     * @param string       $id       UUIDv7
     * @param string|null  $label    null: the label follows the title of the place
     * @param list<Entry>  $children made by hand; those that fill themselves in come after them
     * @param Content|null $content  what it is in a page or panel; null: a link, as in every menu
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
        public ?Content $content = null,
    ) {
        if (null !== $label && mb_strlen($label) > self::MAX_LABEL) {
            throw new Refused(
                'label',
                \sprintf('A label has at most %d characters; this one has %d. Shorten it.', self::MAX_LABEL, mb_strlen($label)),
            );
        }
        if (null !== $label && 1 === preg_match('/^[\s\p{Cc}\p{Cf}]*$/Du', $label)) {
            throw new Refused('label', 'A label cannot be empty. Type one, or let it follow the title of its place.');
        }
        if (null === $label && !$target instanceof PlaceTarget && (null === $content || $content->needsLabel())) {
            throw new Refused('label', 'Only an entry that leads to a place takes its label from there. Type a label.');
        }
        if ($newTab && !$target instanceof OutsideTarget) {
            throw new Refused('newTab', 'Only outside addresses open in a new tab.');
        }
        if (mb_strlen($note) > self::MAX_NOTE) {
            throw new Refused('note', \sprintf('A note has at most %d characters. Shorten it.', self::MAX_NOTE));
        }
    }

    /** The same line, with the same below it. */
    public function equals(self $other): bool
    {
        if (!$this->isSameLine($other) || \count($this->children) !== \count($other->children)) {
            return false;
        }
        foreach ($this->children as $n => $child) {
            if (!$child->equals($other->children[$n])) {
                return false;
            }
        }

        return true;
    }

    /** The same line, whatever stands below it. */
    public function isSameLine(self $other): bool
    {
        return $this->id === $other->id
            && [] === array_filter(EntryPart::cases(), fn (EntryPart $part): bool => !$part->isSame($this, $other));
    }

    /** @param list<Entry> $children */
    public function withChildren(array $children): self
    {
        return $this->with(['children' => $children]);
    }

    public function withTarget(Target $target): self
    {
        return $this->with(['target' => $target, 'newTab' => $this->newTab && $target instanceof OutsideTarget]);
    }

    /** @param string|null $label null: it follows the title of its place */
    public function withLabel(?string $label): self
    {
        return $this->with(['label' => $label]);
    }

    public function withOpening(Opening $opening): self
    {
        return $this->with(['opening' => $opening]);
    }

    public function withFilling(?SelfFilling $filling): self
    {
        return $this->with(['filling' => $filling]);
    }

    /**
     * The same line, and all below it, as lines of their own.
     *
     * @param \Closure(): string $id makes the id of each
     */
    public function anew(\Closure $id): self
    {
        return $this->with(['id' => $id(), 'children' => array_map(static fn (self $child): self => $child->anew($id), $this->children)]);
    }

    /** The same line with another piece. */
    public function withContent(Content $content): self
    {
        return $this->with(['content' => $content]);
    }

    /** How many levels this entry and what is below it take up, filled in by itself or by hand: 1 for an entry without children. */
    public function height(): int
    {
        return 1 + array_reduce(
            $this->children,
            static fn (int $most, self $child): int => max($most, $child->height()),
            $this->filling->depth ?? 0,
        );
    }

    /** @return list<string> the ids of this entry and of all below it */
    public function ids(): array
    {
        return array_merge([$this->id], ...array_map(static fn (self $child): array => $child->ids(), $this->children));
    }
}
