<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** One position of the frame. */
final readonly class Bay
{
    /** @param string|null $menuId the menu that hangs there */
    public function __construct(public string $id, public string $heading, public ?string $menuId)
    {
    }

    public static function words(string $id): string
    {
        return match ($id) {
            'header' => 'Header',
            'drawer' => 'Phone drawer',
            default => ucfirst(str_replace('footer-', 'footer column ', $id)),
        };
    }
}
