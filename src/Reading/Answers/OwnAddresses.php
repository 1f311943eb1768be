<?php

declare(strict_types=1);

namespace Lantern\Reading\Answers;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\BadAddress;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Refused;
use Lantern\Core\Visitor;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Copies\Copy;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Makes references out of addresses of this shop, however they were written: with the domain, old ones, copied from a preview. */
final readonly class OwnAddresses
{
    public function __construct(
        private Copies $copies,
        private ClockInterface $clock,
        #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl,
    ) {
    }

    /** The address within the shop, with its query and anchor; null where it is another web site's, or no address. */
    public function within(string $typed): ?string
    {
        $typed = trim($typed);
        if ($typed === $this->storefrontUrl || str_starts_with($typed, "{$this->storefrontUrl}/")) {
            $typed = substr($typed, \strlen($this->storefrontUrl)) ?: '/';
        }
        if (!str_starts_with($typed, '/') || str_starts_with($typed, '//')) {
            return null;
        }

        // Copied from a look at the workbench, it begins with what opens that.
        return (string) preg_replace('#^/-/preview/[^/]+(?=/|$)#D', '', $typed) ?: '/';
    }

    /**
     * What such addresses lead to on the workbench, by redirects too: a few queries for all of them.
     *
     * @param list<string> $typed
     *
     * @return array<string, PlaceTarget> by what was typed; what leads nowhere is left out
     */
    public function targets(array $typed): array
    {
        $paths = [];
        foreach ($typed as $one) {
            $within = $this->within($one);
            if (null !== $within) {
                preg_match('/^([^?#]*)(?:\?([^#]*))?(?:#(.*))?$/Ds', $within, $parts);
                try {
                    $paths[$one] = [Address::parse($parts[1] ?? ''), $parts[2] ?? '', rawurldecode($parts[3] ?? '')];
                } catch (BadAddress) {
                    continue;
                }
            }
        }
        $workbench = $this->copies->workbench;
        $places = $workbench->places->atAll(array_values(array_map(static fn (array $parts): Address => $parts[0], $paths)));
        $old = array_values(array_filter(
            array_map(static fn (array $parts): Address => $parts[0], $paths),
            static fn (Address $address): bool => !isset($places[$address->path]),
        ));
        $answerer = self::answerer($workbench, $old);
        $targets = [];
        foreach ($paths as $one => [$address, $query, $part]) {
            $place = $places[$address->path] ?? $answerer->answer($address->path, Visitor::guest($this->clock->now()))->place;
            if (null === $place) {
                continue;
            }
            $narrowing = $place->kind->canBeNarrowed()
                ? $workbench->places->knowingCategories(Narrowing::fromQuery($query))
                : new Narrowing();
            try {
                $targets[$one] = new PlaceTarget($place->id, $narrowing->isNone() ? $part : '', $narrowing);
            } catch (Refused) {
                $targets[$one] = new PlaceTarget($place->id);
            }
        }

        return $targets;
    }

    /**
     * Answers for these addresses with what was read in a few queries.
     *
     * @param list<Address> $addresses
     */
    public static function answerer(Copy $copy, array $addresses): Answerer
    {
        $rules = $copy->rules->around(array_map(static fn (Address $address): string => $address->path, $addresses));
        $places = new RememberedPlaces($copy->places);
        $ids = [];
        foreach ($rules->rules() as $rule) {
            $addresses[] = $rule->goal->address ?? $rule->source;
            $ids[$rule->goal->placeId ?? ''] = true;
        }
        unset($ids['']);
        $places->remember($addresses, array_map(strval(...), array_keys($ids)));

        return new Answerer($places, $rules);
    }
}
