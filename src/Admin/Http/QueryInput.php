<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Symfony\Component\HttpKernel\Attribute\MapQueryString;

/** What the query of a request asks for, read once into a class that says what may stand in it. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final class QueryInput extends MapQueryString
{
    public function __construct()
    {
        parent::__construct(validationFailedStatusCode: 422);
    }
}
