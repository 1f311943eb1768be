<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** One position of the frame. */
final readonly class Bay
{
    /** The footer has so many columns; one in which nothing hangs is not there for visitors. */
    public const COLUMNS = 6;
    /** How wide a column of the footer is at most, in parts of the footer. */
    public const WIDEST = 4;
    public const SECOND_ROW = 'second-row';
    public const LAST_LINE = 'last-line';

    /**
     * @param string|null $menuId      the menu, or the column of pieces, that hangs there
     * @param int         $share       of the width of the footer
     * @param string|null $beside      the page group beside whose pages it is
     * @param string      $besideTitle of that group
     * @param bool        $fills       whether it shows the pages of its group by itself
     */
    public function __construct(
        public string $id,
        public string $heading,
        public ?string $menuId,
        public int $share = 1,
        public ?string $beside = null,
        public string $besideTitle = '',
        public bool $fills = false,
    ) {
    }

    public function isFooter(): bool
    {
        return str_starts_with($this->id, 'footer-');
    }

    /** What people call it. */
    public function name(): string
    {
        return null === $this->beside ? self::words($this->id) : "Beside the pages of “{$this->besideTitle}”";
    }

    public static function words(string $id): string
    {
        return match (true) {
            'header' === $id => 'Header',
            'drawer' === $id => 'Phone drawer',
            self::SECOND_ROW === $id => 'Second row',
            self::LAST_LINE === $id => 'Last line',
            str_starts_with($id, 'beside-') => 'Beside the pages of a group',
            default => ucfirst(str_replace('footer-', 'footer column ', $id)),
        };
    }
}
