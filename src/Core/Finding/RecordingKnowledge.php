<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Address\Address;
use Lantern\Core\Moment;
use Lantern\Core\Place\Place;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Shop\Settings;
use Lantern\Core\Shop\ShopDetail;

/**
 * Knowledge that remembers what was asked of it: what an examination depends on is written down by the asking itself, so that
 * nothing can be forgotten.
 */
final class RecordingKnowledge implements Knowledge
{
    /** @var array<string, true> */
    private array $reaches = [];
    /** @var array<string, true> */
    private array $outsideLinks = [];
    private ?\DateTimeImmutable $nextChange = null;

    public function __construct(private readonly Knowledge $known, private readonly \DateTimeImmutable $moment)
    {
    }

    public function reach(string $key): void
    {
        $this->reaches[$key] = true;
    }

    /** @return list<string> keys */
    public function reaches(): array
    {
        return array_map(strval(...), array_keys($this->reaches));
    }

    /** @return list<string> addresses of other web sites that something leads to */
    public function outsideLinks(): array
    {
        return array_map(strval(...), array_keys($this->outsideLinks));
    }

    /** A date at which the answer could be another. */
    public function until(?\DateTimeImmutable $date): void
    {
        if (null !== $date && $date > $this->moment) {
            $this->nextChange = Moment::earlier($this->nextChange, $date);
        }
    }

    public function nextChange(): ?\DateTimeImmutable
    {
        return $this->nextChange;
    }

    public function at(Address $address): ?Place
    {
        $this->reach(DependencyKey::address($address->path));

        return $this->met($this->known->at($address));
    }

    public function get(string $id): ?Place
    {
        $this->reach(DependencyKey::place($id));

        return $this->met($this->known->get($id));
    }

    public function exact(Address $address, \DateTimeImmutable $moment): ?Rule
    {
        $this->reach(DependencyKey::address($address->path));
        $rule = $this->known->exact($address, $moment);
        $this->until($rule?->until);

        return $rule;
    }

    public function longestPrefix(Address $address, \DateTimeImmutable $moment): ?Rule
    {
        foreach ($address->ancestors() as $above) {
            $this->reach(DependencyKey::prefix($above->path));
        }
        $rule = $this->known->longestPrefix($address, $moment);
        $this->until($rule?->until);

        return $rule;
    }

    public function isLaidOut(string $placeId): bool
    {
        $this->reach(DependencyKey::menu($placeId));

        return $this->known->isLaidOut($placeId);
    }

    public function parts(string $placeId): array
    {
        $this->reach(DependencyKey::words($placeId));
        $this->reach(DependencyKey::menu($placeId));

        return $this->known->parts($placeId);
    }

    public function within(string $url): ?string
    {
        return $this->known->within($url);
    }

    public function serves(Address $address): bool
    {
        $this->reach(DependencyKey::ways());

        return $this->known->serves($address);
    }

    public function isAnythingBelow(Address $address): bool
    {
        // Every place that comes, goes or moves says this.
        $this->reach(DependencyKey::ways());

        return $this->known->isAnythingBelow($address);
    }

    public function outside(string $url): ?OutsideAnswer
    {
        $this->reach(DependencyKey::outside($url));
        $this->outsideLinks[$url] = true;

        return $this->known->outside($url);
    }

    public function hasPicture(string $name): bool
    {
        $this->reach(DependencyKey::catalogue());

        return $this->known->hasPicture($name);
    }

    public function listsAnything(Place $place): bool
    {
        $this->reach(DependencyKey::listing($place->id));
        $this->reach(DependencyKey::catalogue());

        return $this->known->listsAnything($place);
    }

    public function isLedTo(Place $place): bool
    {
        $this->reach(DependencyKey::leads($place->id));
        $this->reach(DependencyKey::listing($place->id));

        return $this->known->isLedTo($place);
    }

    public function isInFooter(string $placeId): bool
    {
        $this->reach(DependencyKey::leads($placeId));
        $this->reach(DependencyKey::frame());

        return $this->known->isInFooter($placeId);
    }

    public function titled(string $title): array
    {
        $this->reach(DependencyKey::title($title));

        return array_values(array_filter(array_map($this->met(...), $this->known->titled($title))));
    }

    public function signUpsOfTheFooter(): array
    {
        $this->reach(DependencyKey::frame());

        return $this->known->signUpsOfTheFooter();
    }

    public function settings(): Settings
    {
        $this->reach(DependencyKey::settings());

        return $this->known->settings();
    }

    /** What every page is called after; nothing else that is set matters for it. */
    public function shopName(): string
    {
        $this->reach(DependencyKey::setting(ShopDetail::Name->value));

        return $this->known->settings()->name();
    }

    /** In which dates are told. */
    public function zone(): \DateTimeZone
    {
        $this->reach(DependencyKey::setting(ShopDetail::TimeZone->value));

        return $this->known->settings()->zone();
    }

    private function met(?Place $place): ?Place
    {
        if (null !== $place) {
            $this->reach(DependencyKey::place($place->id));
            $this->until($place->opening->nextChange($this->moment));
        }

        return $place;
    }
}
