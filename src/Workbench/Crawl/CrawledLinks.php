<?php

declare(strict_types=1);

namespace Lantern\Workbench\Crawl;

/**
 * The targets that a walk over the rendered shop met: of each the first page that leads there, and how many do. Of all pages that lead
 * to all targets there would be millions: header and footer lead from each to the same.
 */
final class CrawledLinks
{
    /** @var array<string, string> */
    private array $first = [];

    /** @var array<string, int> */
    private array $pages = [];

    /** @param list<string> $targets of one page, each once */
    public function add(string $page, array $targets): void
    {
        foreach ($targets as $target) {
            $this->first[$target] ??= $page;
            $this->pages[$target] = ($this->pages[$target] ?? 0) + 1;
        }
    }

    /** A page that is asked whether anything leads there or not. */
    public function expect(string $target): void
    {
        $this->pages[$target] ??= 0;
    }

    public function knows(string $target): bool
    {
        return isset($this->pages[$target]);
    }

    /** @return list<string> */
    public function targets(): array
    {
        return array_map(strval(...), array_keys($this->pages));
    }

    /** The first page that leads there; where none does, the target itself. */
    public function firstTo(string $target): string
    {
        return $this->first[$target] ?? $target;
    }

    /** How many pages lead there; 1 for one that was only asked. */
    public function countTo(string $target): int
    {
        return max(1, $this->pages[$target] ?? 0);
    }
}
