<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\BadAddress;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Menu\Narrowing;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Refused;
use Lantern\Core\Visitor;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Makes references out of addresses of this shop, however they were written: with the domain, old ones, copied from a preview. */
final readonly class OwnAddresses
{
    public function __construct(private Copies $copies, private ClockInterface $clock, #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl)
    {
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
        return (string) preg_replace('#^/-/preview/[^/]+(?=/|$)#', '', $typed) ?: '/';
    }

    /**
     * What such addresses lead to on the workbench, by redirects too: one query for all that are a
     * place's own, and only old ones are followed one by one.
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
                preg_match('/^([^?#]*)(?:\?([^#]*))?(?:#(.*))?$/s', $within, $parts);
                try {
                    $paths[$one] = [Address::parse($parts[1] ?? ''), $parts[2] ?? '', rawurldecode($parts[3] ?? '')];
                } catch (BadAddress) {
                    continue;
                }
            }
        }
        $workbench = $this->copies->workbench;
        $places = $workbench->places->atAll(array_values(array_map(static fn (array $parts): Address => $parts[0], $paths)));
        $answerer = new Answerer($workbench->places, $workbench->rules);
        $targets = [];
        foreach ($paths as $one => [$address, $query, $part]) {
            $place = $places[$address->path] ?? $answerer->answer($address->path, Visitor::guest($this->clock->now()))->place;
            if (null === $place) {
                continue;
            }
            parse_str($query, $fields);
            $narrowing = $place->kind->canBeNarrowed() ? Narrowing::fromQuery($fields) : new Narrowing();
            try {
                $targets[$one] = new PlaceTarget($place->id, $narrowing->isNone() ? $part : '', $narrowing);
            } catch (Refused) {
                $targets[$one] = new PlaceTarget($place->id);
            }
        }

        return $targets;
    }
}
