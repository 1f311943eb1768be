<?php

declare(strict_types=1);

namespace Lantern\Workbench\Crawl;

/** What the shop answered to a walk. */
final readonly class AskedPage
{
    /**
     * @param int         $status   of HTTP; 0 where no answer came
     * @param string|null $location where it redirects to
     * @param string|null $html     where it is a page
     */
    public function __construct(public int $status, public ?string $location, public ?string $html)
    {
    }
}
