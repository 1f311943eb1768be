<?php

declare(strict_types=1);

namespace Lantern\Core\Redirect;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\OutsideUrl;

/** Where a redirect leads: a place, an address of this shop, an outside address, or nowhere (gone). */
final readonly class Goal
{
    private function __construct(
        public ?string $placeId = null,
        public ?Address $address = null,
        public string $query = '',
        public ?string $outside = null,
    ) {
    }

    public static function place(string $placeId): self
    {
        return new self(placeId: $placeId);
    }

    /** @param string $query without the question mark */
    public static function address(Address $address, string $query = ''): self
    {
        return new self(address: $address, query: $query);
    }

    public static function outside(string $url): self
    {
        return new self(outside: OutsideUrl::parse($url)->url);
    }

    public static function nowhere(): self
    {
        return new self();
    }

    public function equals(self $other): bool
    {
        return $this->placeId === $other->placeId
            && $this->address?->path === $other->address?->path
            && $this->query === $other->query
            && $this->outside === $other->outside;
    }

    public function isNowhere(): bool
    {
        return null === $this->placeId && null === $this->address && null === $this->outside;
    }
}
