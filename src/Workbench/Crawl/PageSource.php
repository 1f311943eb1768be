<?php

declare(strict_types=1);

namespace Lantern\Workbench\Crawl;

/** Where a walk over the rendered shop gets its pages from. */
interface PageSource
{
    /**
     * @param list<string> $paths with their queries
     *
     * @return iterable<string, AskedPage> by path, in the order in which they come
     */
    public function ask(array $paths): iterable;
}
