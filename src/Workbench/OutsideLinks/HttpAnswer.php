<?php

declare(strict_types=1);

namespace Lantern\Workbench\OutsideLinks;

/** The head of what another server answered. */
final readonly class HttpAnswer
{
    /**
     * @param string|null $location   where it redirects to, as a whole address
     * @param int|null    $retryAfter in how many seconds it wants to be asked again (RFC 9110, 10.2.3)
     */
    public function __construct(public int $status, public ?string $location, public ?int $retryAfter)
    {
    }

    public function redirects(): bool
    {
        return null !== $this->location && \in_array($this->status, [301, 302, 303, 307, 308], true);
    }

    public function isForGood(): bool
    {
        return 301 === $this->status || 308 === $this->status;
    }

    /** Whether it asks to be left alone for now (RFC 6585, 4; RFC 9110, 15.6.4). */
    public function asksForPatience(): bool
    {
        return 429 === $this->status || 503 === $this->status;
    }
}
