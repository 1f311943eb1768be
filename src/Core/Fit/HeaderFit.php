<?php

declare(strict_types=1);

namespace Lantern\Core\Fit;

use Lantern\Core\Menu\ResolvedEntry;

/**
 * Whether the header's first level stands on one line, and which labels in its dropdowns take two. The
 * measures are those of the storefront's styles; a browser test holds the two against each other.
 */
final readonly class HeaderFit
{
    /** Type size of the storefront, in pixels; the measures below are in it where the styles say rem. */
    private const TYPE = 17.0;
    /** Below this width of the window the phone's drawer takes the header's place. */
    public const DRAWER_BELOW = 832;
    private const ROW_MOST = 72 * self::TYPE;
    private const ROW_MARGINS = 2.5 * self::TYPE;
    private const ROW_GAP = 2 * self::TYPE;
    private const ITEM_GAP = 0.4 * self::TYPE;
    private const ITEM_PADDING = 1.0 * self::TYPE;
    private const DISCLOSE = 26.0;
    private const HEADING_DISCLOSE = 11 + (0.35 + 0.3) * self::TYPE;
    private const WORDMARK_TYPE = 1.35 * self::TYPE;
    private const WORDMARK_SIGN = 26 + 0.55 * self::TYPE;
    private const TOOL_TYPE = 0.94 * self::TYPE;
    private const TOOL_GAP = 1.1 * self::TYPE;
    private const DROPDOWN_ROOM = (24 - 1 - 1.4) * self::TYPE - 2;
    private const DROPDOWN_STEP = 0.7 * self::TYPE + 1;

    /**
     * @param int          $needs       the narrowest window in which the first level stands on one line, in pixels
     * @param bool         $ever        whether there is such a window at all: the row of the header grows only so far
     * @param string|null  $widest      the label that takes the most room, where it does not always fit
     * @param list<string> $wraps       labels that take two lines in their dropdown
     */
    private function __construct(public int $needs, public bool $ever, public ?string $widest, public array $wraps)
    {
    }

    /** @param list<ResolvedEntry> $entries the first level as a visitor gets it */
    public static function of(string $shopName, string $account, array $entries): self
    {
        $text = Face::text();
        $items = [];
        $wraps = [];
        foreach ($entries as $entry) {
            $label = $text->width($entry->label, self::TYPE);
            $items[] = $label + match (true) {
                null === $entry->href && [] !== $entry->children => self::HEADING_DISCLOSE,
                [] !== $entry->children => self::ITEM_PADDING + self::DISCLOSE,
                default => self::ITEM_PADDING,
            };
            foreach ($entry->children as $child) {
                self::wrapping($child, self::TYPE, self::DROPDOWN_ROOM, $wraps);
                foreach ($child->children as $below) {
                    self::wrapping($below, self::TOOL_TYPE, self::DROPDOWN_ROOM - self::DROPDOWN_STEP, $wraps);
                }
            }
        }
        $menu = array_sum($items) + self::ITEM_GAP * max(0, \count($items) - 1);
        $row = self::WORDMARK_SIGN + Face::display()->width($shopName, self::WORDMARK_TYPE)
            + $menu + 2 * self::ROW_GAP
            + $text->width('Search', self::TOOL_TYPE) + self::TOOL_GAP + $text->width($account, self::TOOL_TYPE);
        $needs = (int) ceil($row + self::ROW_MARGINS);
        $widest = [] === $items ? null : $entries[(int) array_search(max($items), $items, true)]->label;

        return new self($needs, $row <= self::ROW_MOST, $row <= self::ROW_MOST && $needs <= self::DRAWER_BELOW ? null : $widest, $wraps);
    }

    /** Said to the person who edits the menu; the empty text where all fits. */
    public function words(): string
    {
        return implode(' ', array_filter([
            match (true) {
                null === $this->widest => '',
                !$this->ever => "The header’s first level takes two lines in every window. “{$this->widest}” takes the most room: shorten it, or put entries one level in.",
                default => "In windows narrower than {$this->needs} px the header’s first level takes two lines. “{$this->widest}” takes the most room.",
            },
            match (\count($this->wraps)) {
                0 => '',
                1 => "In its dropdown “{$this->wraps[0]}” takes two lines.",
                default => \sprintf('%d labels take two lines in their dropdowns, the first of them “%s”.', \count($this->wraps), $this->wraps[0]),
            },
        ]));
    }

    /** @param list<string> $wraps */
    private static function wrapping(ResolvedEntry $entry, float $type, float $room, array &$wraps): void
    {
        if (Face::text()->width($entry->label, $type) > $room) {
            $wraps[] = $entry->label;
        }
    }
}
