<?php

declare(strict_types=1);

namespace Lantern\Core\Address;

/** The parts of a request target (RFC 9112, 3.2) or of a typed link (RFC 3986, 3), as they were written. */
final readonly class SplitTarget
{
    /**
     * @param string $asked    all but the fragment, which no server is asked for
     * @param string $query    without `?`
     * @param string $fragment without `#`
     */
    private function __construct(public string $asked, public string $path, public string $query, public string $fragment)
    {
    }

    public static function of(string $target): self
    {
        [$asked, $fragment] = explode('#', $target, 2) + ['', ''];
        [$path, $query] = explode('?', $asked, 2) + ['', ''];

        return new self($asked, $path, $query, $fragment);
    }

    /** Without a question mark where nothing is asked for. */
    public function withQuery(string $query): self
    {
        return new self($this->path.('' === $query ? '' : "?$query"), $this->path, $query, $this->fragment);
    }

    public function __toString(): string
    {
        return $this->asked.('' === $this->fragment ? '' : "#{$this->fragment}");
    }
}
