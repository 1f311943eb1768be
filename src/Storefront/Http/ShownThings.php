<?php

declare(strict_types=1);

namespace Lantern\Storefront\Http;

use Lantern\Core\Place\Place;

/** What a page shows, by the keys of Freshness, always with what stands around it: where one of these changes, the page is another. */
final class ShownThings
{
    /** @var array<string, true> */
    private array $keys = ['frame' => true];
    /** Hash of the styles within the page, as Content-Security-Policy wants it; empty: there are none. */
    public string $styles = '';

    public function place(string $id): void
    {
        $this->keys["p:$id"] = true;
    }

    /** @param iterable<Place> $places */
    public function places(iterable $places): void
    {
        foreach ($places as $place) {
            $this->place($place->id);
        }
    }

    /**
     * @param string $of the id of a place that things stand below or in; or `categories`, `collections`, `articles`, `products`, and
     *            `facts` of products, by which filters count
     */
    public function list(string $of): void
    {
        $this->keys["l:$of"] = true;
    }

    /** @param list<string> $keys what something shows that was made before, as `keys` gave it */
    public function all(array $keys): void
    {
        $this->keys += array_fill_keys($keys, true);
    }

    /** @return list<string> see Freshness */
    public function keys(): array
    {
        return array_keys($this->keys);
    }
}
