<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** What the header of a shop shows where no menu hangs in it: something that was chosen, never an accident. */
enum HeaderWithoutMenu: string
{
    /** One dropdown with the categories of the shop, each with those below it. */
    case Categories = 'categories';
    case Nothing = 'nothing';

    public const SETTING = 'header_without_menu';

    /** @param array<string, string> $settings the shop's details by name */
    public static function chosen(array $settings): self
    {
        return self::tryFrom($settings[self::SETTING] ?? '') ?? self::Categories;
    }

    public function tree(): Tree
    {
        return self::Nothing === $this
            ? new Tree()
            : new Tree([new Entry(
                'categories',
                new Heading(),
                'Shop',
                filling: new SelfFilling(FillingSource::Categories, depth: 2, most: 12),
            )]);
    }
}
