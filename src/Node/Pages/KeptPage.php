<?php

declare(strict_types=1);

namespace Lantern\Node\Pages;

use Lantern\Node\News\Freshness;
use Lantern\Node\News\Mark;

/** A page as it was answered once. */
final readonly class KeptPage
{
    /**
     * @param array<string, string> $headers
     * @param int                   $until   seconds since 1970: a date alone may change it then
     * @param Mark                  $made    when it was made
     * @param list<string>          $shows   keys of all that it shows, see Freshness
     */
    public function __construct(public array $headers, public string $body, public int $until, public Mark $made, public array $shows)
    {
    }

    public function isFresh(\DateTimeImmutable $now): bool
    {
        return $now->getTimestamp() < $this->until && Freshness::isFresh($this->made, $this->shows);
    }
}
