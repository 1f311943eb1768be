<?php

declare(strict_types=1);

namespace Lantern\Workbench\Subscribers;

/** How somebody stands on a list. */
enum SubscriptionState: string
{
    /** The address was typed; nobody at it has said yes. */
    case Asked = 'asked';
    case Confirmed = 'confirmed';
    case Left = 'left';
}
