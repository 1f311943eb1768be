<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

use Lantern\Core\Refused;

/** What search engines are told about a place. An empty title or description follows the place's own. */
final readonly class SearchListing
{
    public const MAX_TITLE = 200;
    public const MAX_DESCRIPTION = 500;

    public string $title;
    public string $description;

    /** @throws Refused where a text is too long */
    public function __construct(public bool $listed = true, string $title = '', string $description = '')
    {
        $this->title = trim((string) preg_replace('/\s+/u', ' ', $title));
        $this->description = trim((string) preg_replace('/\s+/u', ' ', $description));
        if (mb_strlen($this->title) > self::MAX_TITLE) {
            throw new Refused(
                'listingTitle',
                \sprintf(
                    'A title for search engines has at most %d characters; this one has %d. Shorten it.',
                    self::MAX_TITLE,
                    mb_strlen($this->title),
                ),
            );
        }
        if (mb_strlen($this->description) > self::MAX_DESCRIPTION) {
            throw new Refused(
                'listingDescription',
                \sprintf(
                    'A description for search engines has at most %d characters; this one has %d. Shorten it.',
                    self::MAX_DESCRIPTION,
                    mb_strlen($this->description),
                ),
            );
        }
    }

    /** The title in the head of the page: its own, or the place's with the name of the shop behind it. */
    public function pageTitle(string $placeTitle, string $shopName): string
    {
        return ('' === $this->title ? $placeTitle : $this->title)." · $shopName";
    }

    public function pageDescription(string $summary): string
    {
        return '' === $this->description ? $summary : $this->description;
    }
}
