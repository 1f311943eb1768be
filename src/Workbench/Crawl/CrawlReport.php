<?php

declare(strict_types=1);

namespace Lantern\Workbench\Crawl;

/** What a walk over the rendered shop saw. */
final readonly class CrawlReport
{
    /**
     * @param int              $pages that were read
     * @param int              $links that were followed, each once
     * @param list<CrawlFault> $broken
     */
    public function __construct(public int $pages, public int $links, public array $broken)
    {
    }

    /** @return list<CrawlFault> those that the link check does not know of */
    public function unknown(): array
    {
        return array_values(array_filter($this->broken, static fn (CrawlFault $one): bool => !$one->isKnown));
    }
}
