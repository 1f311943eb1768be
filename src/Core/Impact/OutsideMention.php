<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** What stands outside of the shop and leads there: an advertisement, a printed code. */
final readonly class OutsideMention extends Mention
{
    /** @param string|null $via the older address that it names; null where it names the place's own */
    public function __construct(string $name, ?string $id, public string $what, public ?string $via = null)
    {
        parent::__construct(MentionKind::Outside, $name, $id);
    }
}
