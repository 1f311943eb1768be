<?php

declare(strict_types=1);

namespace Lantern\Core\Words;

/** One link, picture or video of a text, wherever it leads. */
final readonly class Link
{
    /**
     * @param string      $form    link, button, picture or video
     * @param string      $words   what a reader reads of it: its words, or what the picture shows
     * @param string|null $placeId the place that it refers to
     * @param string|null $address where it was typed: path and query in this shop
     * @param string      $part    an anchor within it
     * @param string|null $outside an address of another web site
     */
    public function __construct(
        public string $form,
        public string $words,
        public ?string $placeId = null,
        public ?string $address = null,
        public string $part = '',
        public ?string $outside = null,
    ) {
    }

    /** Whether it leads to a part of the page that it stands on. */
    public function isOwnPart(): bool
    {
        return '' !== $this->part && null === $this->placeId && null === $this->address && null === $this->outside;
    }
}
