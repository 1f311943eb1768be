<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Where the children of a self-filling entry come from. */
enum FillingSource: string
{
    /** The pages of a page group. */
    case Pages = 'pages';
    /** The categories below a category; without one, those of the first level. */
    case Categories = 'categories';
    /** The products of a category or collection; without one, of the whole shop. */
    case Products = 'products';
    /** What is new of a kind. */
    case Newest = 'newest';
}
