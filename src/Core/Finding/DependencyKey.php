<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

/**
 * What an examination looked at, as a key. When it changes, the examination is made again. The triggers of the database
 * make the same keys of what changed; a test holds the two together.
 */
final class DependencyKey
{
    public static function place(string $id): string
    {
        return "p:$id";
    }

    /** What stands at an address: a place, or a redirect of its own. */
    public static function address(string $path): string
    {
        return "a:$path";
    }

    /** A redirect for all below an address. */
    public static function prefix(string $path): string
    {
        return "x:$path";
    }

    /** The words of a place. */
    public static function words(string $placeId): string
    {
        return "w:$placeId";
    }

    /** A menu, a page that is laid out, a panel or a column. */
    public static function menu(string $id): string
    {
        return "m:$id";
    }

    /** What a landing page lists. */
    public static function listing(string $placeId): string
    {
        return "c:$placeId";
    }

    /** What the product system says of products. */
    public static function catalogue(): string
    {
        return 'k';
    }

    /** Which places search engines are given a title for. */
    public static function title(string $title): string
    {
        return "t:$title";
    }

    /** Whatever is set for the shop. */
    public static function settings(): string
    {
        return 's';
    }

    /** One of them. */
    public static function setting(string $name): string
    {
        return "s:$name";
    }

    /** What hangs in the frame. */
    public static function frame(): string
    {
        return 'f';
    }

    /** What pages there are, which of them are open, and what they list: by which way anybody gets anywhere. */
    public static function ways(): string
    {
        return 'd';
    }

    /** What leads to a place. */
    public static function leads(string $placeId): string
    {
        return "l:$placeId";
    }

    /** An answer of another web site. */
    public static function outside(string $url): string
    {
        return "o:$url";
    }
}
