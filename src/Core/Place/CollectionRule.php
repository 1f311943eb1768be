<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

use Lantern\Core\Refused;

/** How a collection comes by its products: picked by hand, or by what the product system says of them. */
final readonly class CollectionRule
{
    public const WAYS = ['hand', 'tag', 'reduced', 'newest', 'featured'];

    /** As a way is written in the interface. */
    public static function words(string $way): string
    {
        return match ($way) {
            'hand' => 'picked by hand',
            'tag' => 'all with a tag',
            'reduced' => 'all that are reduced',
            'newest' => 'the newest',
            default => 'all that are featured',
        };
    }

    private function __construct(public string $by, public string $tag = '')
    {
    }

    /** @throws Refused where there is no such way, or a tag is missing */
    public static function of(string $by, string $tag = ''): self
    {
        $tag = trim($tag);
        if (!\in_array($by, self::WAYS, true)) {
            throw new Refused('rule', \sprintf('A collection is filled by one of: %s.', implode(', ', self::WAYS)));
        }
        if ('tag' === $by && '' === $tag) {
            throw new Refused('rule', 'Choose the tag whose products this collection shows.');
        }

        return new self($by, 'tag' === $by ? $tag : '');
    }

    /** @param array<mixed>|null $stored as `stored` gives it */
    public static function fromStored(?array $stored): self
    {
        $by = $stored['by'] ?? 'hand';
        $tag = $stored['tag'] ?? '';

        return self::of(\is_string($by) ? $by : 'hand', \is_string($tag) ? $tag : '');
    }

    /** @return array{by: string, tag?: string}|null null: by hand */
    public function stored(): ?array
    {
        return match ($this->by) {
            'hand' => null,
            'tag' => ['by' => 'tag', 'tag' => $this->tag],
            default => ['by' => $this->by],
        };
    }
}
