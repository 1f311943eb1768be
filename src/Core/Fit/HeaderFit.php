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
    /** Below this width of the window the phone's drawer takes the header's place where that fits nowhere; a narrower one is said to be no trouble. */
    public const DRAWER_BELOW = 832;
    /** What a window on a desk has at least today, in pixels. */
    public const USUAL = 1280;
    private const ROW_MOST = 72 * self::TYPE;
    private const ROW_MARGINS = 2.5 * self::TYPE;
    /** Counts to the width that styles ask for (Media Queries 4, section 4.1), and is no room for the row. */
    private const SCROLL_BAR = 17;
    private const ROW_GAP = 1.6 * self::TYPE;
    private const ITEM_GAP = 0.4 * self::TYPE;
    private const ITEM_PADDING = 1.0 * self::TYPE;
    private const DISCLOSE = 26.0;
    private const HEADING_DISCLOSE = 11 + (0.35 + 0.3) * self::TYPE;
    private const WORDMARK_TYPE = 1.35 * self::TYPE;
    private const WORDMARK_SIGN = 26 + 0.55 * self::TYPE;
    private const TOOL_TYPE = 0.94 * self::TYPE;
    private const TOOL_GAP = 1.1 * self::TYPE;
    private const BASKET = 22.0;
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

    /**
     * @param list<ResolvedEntry> $entries the first level as a visitor gets it
     * @param list<string>        $panels  ids of those that open a wide panel
     */
    public static function of(string $shopName, string $account, array $entries, array $panels = []): self
    {
        $text = Face::text();
        $items = [];
        $wraps = [];
        foreach ($entries as $entry) {
            $label = $text->width($entry->label, self::TYPE);
            $opens = [] !== $entry->children || \in_array($entry->id, $panels, true);
            $items[] = $label + match (true) {
                null === $entry->href && $opens => self::HEADING_DISCLOSE,
                $opens => self::ITEM_PADDING + self::DISCLOSE,
                default => self::ITEM_PADDING,
            };
            foreach (\in_array($entry->id, $panels, true) ? [] : $entry->children as $child) {
                self::wrapping($child, self::TYPE, self::DROPDOWN_ROOM, $wraps);
                foreach ($child->children as $below) {
                    self::wrapping($below, self::TOOL_TYPE, self::DROPDOWN_ROOM - self::DROPDOWN_STEP, $wraps);
                }
            }
        }
        $menu = array_sum($items) + self::ITEM_GAP * max(0, \count($items) - 1);
        $row = self::WORDMARK_SIGN + Face::display()->width($shopName, self::WORDMARK_TYPE)
            + $menu + 2 * self::ROW_GAP
            + $text->width('Search', self::TOOL_TYPE) + self::TOOL_GAP + self::BASKET + self::TOOL_GAP + $text->width($account, self::TOOL_TYPE);
        $needs = (int) ceil($row + self::ROW_MARGINS);
        $widest = [] === $items ? null : $entries[(int) array_search(max($items), $items, true)]->label;

        return new self($needs, $row <= self::ROW_MOST, $row <= self::ROW_MOST && $needs <= self::DRAWER_BELOW ? null : $widest, $wraps);
    }

    /** Whether the first level stands on one line in a usual window, and every label of a dropdown does. */
    public function onADesk(): bool
    {
        return $this->ever && $this->needs <= self::USUAL && [] === $this->wraps;
    }

    /**
     * The width of the window, in pixels, below which the phone's drawer takes over, where nobody chose another: where the row stops
     * fitting. A row that fits nowhere stands in two lines rather than nowhere on a desk.
     */
    public function drawerBelow(): int
    {
        return $this->ever ? $this->needs + self::SCROLL_BAR : self::DRAWER_BELOW;
    }

    /**
     * Said to the person who edits the menu; the empty text where all fits.
     *
     * @param int|null $drawerBelow width of the window, in pixels, at which somebody has the phone's drawer take over; null: where the row stops fitting
     */
    public function words(?int $drawerBelow = null): string
    {
        return implode(' ', array_filter([
            match (true) {
                null === $this->widest => '',
                null !== $drawerBelow && $drawerBelow >= $this->needs && $this->ever => '',
                !$this->ever => "The header’s first level takes two lines in every window. “{$this->widest}” takes the most room: shorten it, or put entries one level in.",
                null !== $drawerBelow => "In windows from {$drawerBelow} to {$this->needs} px the header’s first level takes two lines. “{$this->widest}” takes the most room: shorten it, or let the drawer take over sooner.",
                default => "In windows narrower than {$this->drawerBelow()} px the phone’s drawer takes the place of the header’s entries. “{$this->widest}” takes the most room.",
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
