<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\Slug;
use Lantern\Core\Visitor;

/** Anything on the storefront that a visitor can arrive at. */
final readonly class Place
{
    /**
     * @param string      $id       UUIDv7
     * @param string|null $parentId category above a category, page group of a page, journal of an article
     * @param string|null $closedTo the place that a closed one leads to for now
     */
    public function __construct(
        public string $id,
        public PlaceKind $kind,
        public string $title,
        public Address $address,
        public ?string $parentId = null,
        public Light $light = Light::Open,
        public Opening $opening = new Opening(),
        public Audience $audience = Audience::Everyone,
        public ClosedAnswer $closedAnswer = ClosedAnswer::NotFound,
        public ?string $closedTo = null,
        public SearchListing $listing = new SearchListing(),
        public Serving $serving = Serving::Shown,
    ) {
    }

    /** Outside its opening a place counts as closed. */
    public function lightAt(\DateTimeImmutable $moment): Light
    {
        return $this->opening->contains($moment) ? $this->light : Light::Closed;
    }

    /** Whether its address answers with the place itself, leaving aside for whom. */
    public function opensAt(\DateTimeImmutable $moment): bool
    {
        return $this->lightAt($moment)->opens();
    }

    public function opensFor(Visitor $visitor): bool
    {
        return $this->opensAt($visitor->moment) && $this->audience->includes($visitor);
    }

    /** Whether menus, self-filling lists, store search and the page of its group may show it. */
    public function isShownTo(Visitor $visitor): bool
    {
        return $this->lightAt($visitor->moment)->isShownInLists() && $this->audience->includes($visitor);
    }

    /** Whether the sitemap names it: it opens for everyone, and its search listing says yes. */
    public function isInSitemapAt(\DateTimeImmutable $moment): bool
    {
        return $this->opensAt($moment) && Audience::Everyone === $this->audience && $this->listing->listed;
    }

    /** Whether whoever comes to its address finds a page there at any time, so that no redirect from there would be followed. */
    public function isAlwaysOpen(): bool
    {
        return $this->light->opens() && $this->opening->isAlways();
    }

    /** What the place is now, for a person: "Open", "Quiet", "Closed", or with its next date, by the clocks of the moment's time zone. */
    public function lightWords(\DateTimeImmutable $moment): string
    {
        if (!$this->light->opens()) {
            return 'Closed';
        }
        if (null !== $this->opening->from && $moment < $this->opening->from) {
            return 'Opens '.self::day($this->opening->from, $moment);
        }
        if (!$this->opening->contains($moment)) {
            return 'Closed';
        }

        return ucfirst($this->light->value).(null === $this->opening->until ? '' : ', closes '.self::day($this->opening->until, $moment));
    }

    /** The address that its title would give it, below what its address stands below now. */
    public function tidyAddress(): Address
    {
        return $this->kind->isFixed()
            ? $this->address
            : $this->address->parent()->below(Slug::fromTitle($this->title, $this->kind->value)->text);
    }

    private static function day(\DateTimeImmutable $day, \DateTimeImmutable $seenFrom): string
    {
        $day = $day->setTimezone($seenFrom->getTimezone());

        return $day->format($day->format('Y') === $seenFrom->format('Y') ? 'j F' : 'j F Y');
    }
}
