<?php

declare(strict_types=1);

namespace Lantern\Workbench\Crawl;

/** A link that a walk over the rendered shop found broken. */
final readonly class CrawlFault
{
    /**
     * @param string $page    path of the first page that it stands on
     * @param int    $pages   on how many it stands
     * @param string $link    where it leads
     * @param int    $status  that was answered there; 200 where only the part is missing
     * @param bool   $isKnown whether the link check has a finding about it
     */
    public function __construct(public string $page, public int $pages, public string $link, public int $status, public bool $isKnown)
    {
    }

    public function words(): string
    {
        return \sprintf('%s%s to %s, which %s', $this->page, $this->pages > 1 ? \sprintf(
            ' and %d more pages lead',
            $this->pages - 1,
        ) : ' leads', $this->link, match (true) {
            200 === $this->status => 'has no such part',
            0 === $this->status => 'does not answer',
            default => "answers $this->status",
        });
    }
}
