<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Place\PlaceKind;

/** The words of a place. */
final readonly class TextMention extends Mention
{
    /**
     * @param int            $times  how many of its links lead there
     * @param PlaceKind|null $closed what kind of place it is, where that is closed
     */
    public function __construct(
        string $title,
        ?string $id,
        public LinkForm $form = LinkForm::Link,
        public int $times = 1,
        public ?PlaceKind $closed = null,
        public bool $ofPieces = false,
    ) {
        parent::__construct(MentionKind::Text, $title, $id);
    }
}
