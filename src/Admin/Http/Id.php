<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Symfony\Component\Validator\Constraint;

/** An id as the API writes it (RFC 9562, 4), in lower case. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Id extends Constraint
{
    public const PATTERN = '/^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/D';
}
