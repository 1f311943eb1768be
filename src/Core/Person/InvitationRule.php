<?php

declare(strict_types=1);

namespace Lantern\Core\Person;

/** For how long somebody may follow an invitation, from when its letter went out. */
final class InvitationRule
{
    public const HOLDS = '+72 hours';
}
