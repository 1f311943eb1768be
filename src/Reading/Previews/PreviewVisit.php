<?php

declare(strict_types=1);

namespace Lantern\Reading\Previews;

/** A request within a preview. */
final readonly class PreviewVisit
{
    /**
     * @param string $prefix what all addresses of the preview begin with
     * @param string $target path and query within it
     */
    public function __construct(public PreviewToken $token, public string $prefix, public string $target)
    {
    }
}
