<?php

declare(strict_types=1);

namespace Lantern\Core\Fit;

use Lantern\Core\Looks\Looks;
use Lantern\Core\Menu\ResolvedEntry;

/**
 * Whether the header's first level stands on one line, and which labels in its dropdowns take two. The
 * measures are those of the storefront's styles; a browser test holds the two against each other.
 */
final readonly class HeaderFit
{
    /**
     * Below this width of the window the phone's drawer takes the header's place where that fits nowhere; a narrower one is said to be no
     * trouble.
     */
    public const DRAWER_BELOW = 832;
    /** What a window on a desk has at least today, in pixels. */
    public const USUAL = 1280;
    // In the type size of the storefront, as the styles have them in rem.
    private const ROW_MOST = 72;
    private const ROW_MARGINS = 2.5;
    private const ROW_GAP = 1.6;
    private const ITEM_GAP = 0.4;
    private const ITEM_PADDING = 1.0;
    private const HEADING_DISCLOSE = 0.35 + 0.3;
    private const WORDMARK_TYPE = 1.35;
    private const WORDMARK_GAP = 0.55;
    private const TOOL_TYPE = 0.94;
    private const TOOL_GAP = 1.1;
    private const DROPDOWN_ROOM = 24 - 1 - 1.4;
    private const DROPDOWN_STEP = 0.7;
    // In pixels.
    private const HAIRLINE = 1;
    private const MARK = 11;
    private const WORDMARK_SIGN = 26;
    /** Counts to the width that styles ask for (Media Queries 4, section 4.1), and is no room for the row. */
    private const SCROLL_BAR = 17;
    private const DISCLOSE = 26.0;
    private const BASKET = 22.0;

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
     * @param list<string>        $panels   ids of those that open a wide panel
     * @param float|null          $wordmark how wide the picture stands that stands for the name, in pixels; null: its name does
     */
    public static function of(string $shopName, string $account, array $entries, array $panels, Looks $looks, ?float $wordmark = null): self
    {
        $type = $looks->type();
        $text = Face::text($looks->body);
        $room = self::DROPDOWN_ROOM * $type - 2 * self::HAIRLINE;
        $items = [];
        $wraps = [];
        foreach ($entries as $entry) {
            $label = $text->width($entry->label, $type);
            $opens = [] !== $entry->children || \in_array($entry->id, $panels, true);
            $items[] = $label + match (true) {
                null === $entry->href && $opens => self::MARK + self::HEADING_DISCLOSE * $type,
                $opens => self::ITEM_PADDING * $type + self::DISCLOSE,
                default => self::ITEM_PADDING * $type,
            };
            foreach (\in_array($entry->id, $panels, true) ? [] : $entry->children as $child) {
                self::wrapping($text, $child, $type, $room, $wraps);
                foreach ($child->children as $below) {
                    self::wrapping($text, $below, self::TOOL_TYPE * $type, $room - self::DROPDOWN_STEP * $type - self::HAIRLINE, $wraps);
                }
            }
        }
        $gaps = self::ITEM_GAP * max(0, \count($items) - 1) + 2 * self::ROW_GAP + 2 * self::TOOL_GAP;
        $tool = self::TOOL_TYPE * $type;
        $row = (
            $wordmark
                ?? self::WORDMARK_SIGN + self::WORDMARK_GAP * $type + Face::display($looks->heading)->width(
                    $shopName,
                    self::WORDMARK_TYPE * $type,
                )
        )
            + array_sum($items) + $text->width('Search', $tool) + self::BASKET + $text->width($account, $tool) + $gaps * $type;
        $most = self::ROW_MOST * $type;
        $needs = (int) ceil($row + self::ROW_MARGINS * $type);
        $widest = [] === $items ? null : $entries[(int) array_search(max($items), $items, true)]->label;

        return new self($needs, $row <= $most, $row <= $most && $needs <= self::DRAWER_BELOW ? null : $widest, $wraps);
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
     * @param int|null $drawerBelow width of the window, in pixels, at which somebody has the phone's drawer take over; null: where the row
     *            stops fitting
     */
    public function words(?int $drawerBelow = null): string
    {
        return implode(' ', array_filter([
            match (true) {
                null === $this->widest => '',
                null !== $drawerBelow && $drawerBelow >= $this->needs && $this->ever => '',
                !$this->ever => "The header’s first level takes two lines in every window. “{$this->widest}” takes the most room: shorten "
                    .'it, or put entries one level in.',
                null !== $drawerBelow => "In windows from {$drawerBelow} to {$this->needs} px the header’s first level takes two lines. "
                    ."“{$this->widest}” takes the most room: shorten it, or let the drawer take over sooner.",
                default => "In windows narrower than {$this->drawerBelow()} px the phone’s drawer takes the place of the header’s entries. "
                    ."“{$this->widest}” takes the most room.",
            },
            match (\count($this->wraps)) {
                0 => '',
                1 => "In its dropdown “{$this->wraps[0]}” takes two lines.",
                default => \sprintf(
                    '%d labels take two lines in their dropdowns, the first of them “%s”.',
                    \count($this->wraps),
                    $this->wraps[0],
                ),
            },
        ]));
    }

    /** @param list<string> $wraps */
    private static function wrapping(Face $face, ResolvedEntry $entry, float $type, float $room, array &$wraps): void
    {
        if ($face->width($entry->label, $type) > $room) {
            $wraps[] = $entry->label;
        }
    }
}
