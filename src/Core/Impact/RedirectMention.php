<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Redirect\RedirectStatus;

final readonly class RedirectMention extends Mention
{
    public function __construct(string $source, ?string $id, public RedirectStatus $status = RedirectStatus::ForGood)
    {
        parent::__construct(MentionKind::Redirect, $source, $id);
    }
}
