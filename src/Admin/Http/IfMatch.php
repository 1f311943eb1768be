<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

/** The version that a change was thought out for, as the header If-Match names it (RFC 9110, 13.1.1). */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final class IfMatch
{
}
