<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;

/** The body of a request, read once into a class that says what may stand in it: JSON, and nothing else. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final class Body extends MapRequestPayload
{
    public function __construct()
    {
        parent::__construct(acceptFormat: 'json');
    }
}
