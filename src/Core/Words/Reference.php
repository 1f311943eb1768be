<?php

declare(strict_types=1);

namespace Lantern\Core\Words;

/** One link, picture or video in a text that leads to somewhere in this shop. */
final readonly class Reference
{
    /**
     * @param string|null $placeId the place; null where only an address was typed and no place stands there
     * @param string|null $address the typed address, where there is no place
     * @param string      $part    an anchor within it
     * @param string      $form    link, button, picture or video
     */
    public function __construct(public ?string $placeId, public ?string $address, public string $part, public string $form)
    {
    }
}
