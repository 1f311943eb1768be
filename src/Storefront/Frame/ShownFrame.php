<?php

declare(strict_types=1);

namespace Lantern\Storefront\Frame;

use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Storefront\Http\ShownThings;

/** What stands around a page, as HTML: made once for all pages, and marked for each with what leads to it. */
final readonly class ShownFrame
{
    /** Between these a place is kept in a tag for what only the page knows. No label has them, or they go with it. */
    private const BEGINS = "\x02";
    private const ENDS = "\x03";

    /**
     * @param string                                      $top      up to the page itself
     * @param string                                      $bottom   from behind it on
     * @param array<string, string>                       $beside   what stands beside the pages of a group, by its id
     * @param array<string, array<string, 'page'|'true'>> $marks    of entries, by the place that they lead to
     * @param list<ResolvedEntry>                         $entries  the first level of the header
     * @param list<string>                                $keys     of what it shows, see ShownThings
     */
    public function __construct(
        public string $top,
        public string $bottom,
        public array $beside,
        public string $styles,
        public string $stylesHash,
        public string $shopName,
        public string $tagline,
        public string $ground,
        public bool $onClick,
        public array $entries,
        public array $keys,
        private array $marks,
    ) {
    }

    /** Where `aria-current` stands in the tag of an entry, if it does. */
    public static function currentMark(string $entryId): string
    {
        return self::BEGINS.'c'.$entryId.self::ENDS;
    }

    /** Where it says that what opens for an entry is open, if it is. */
    public static function openMark(string $entryId): string
    {
        return self::BEGINS.'o'.$entryId.self::ENDS;
    }

    /** The same for one page; without it, for none. */
    public function markedFor(?string $placeId): self
    {
        $marks = $this->marks[$placeId ?? ''] ?? [];
        $marked = static fn (string $html): string => (string) preg_replace_callback(
            '/'.self::BEGINS.'([co])([^'.self::ENDS.']*)'.self::ENDS.'/',
            static fn (array $place): string => match (true) {
                !isset($marks[$place[2]]) => '',
                'o' === $place[1] => ' open',
                default => ' aria-current="'.$marks[$place[2]].'"',
            },
            $html,
        );

        return new self(
            $marked($this->top),
            $marked($this->bottom),
            array_map($marked, $this->beside),
            $this->styles,
            $this->stylesHash,
            $this->shopName,
            $this->tagline,
            $this->ground,
            $this->onClick,
            $this->entries,
            $this->keys,
            [],
        );
    }
}
