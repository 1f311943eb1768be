<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Redirect\Rule;

/** What a change of addresses does, worked out before it is done. */
final readonly class AddressChange
{
    /**
     * @param list<ChangedAddress> $moved      all that get another address
     * @param list<ChangedAddress> $asked      those of them that somebody asked for; the others come along
     * @param list<Rule>        $made       redirects from addresses that visitors know, without ids
     * @param list<Rule>        $dropped    redirects from addresses that a place takes back
     * @param list<Rule>        $retargeted redirects that led to an old address, as they will be
     * @param list<Rule>        $shadowed   redirects that no visitor reaches any more, because the place wins
     */
    public function __construct(
        public array $moved,
        public array $asked,
        public array $made,
        public array $dropped,
        public array $retargeted,
        public array $shadowed,
    ) {
    }

    /**
     * @param list<string> $menusThatFollow names of the menus whose entries refer to a place that moves
     * @param list<string> $typedIn         titles of the places whose texts have an old address typed in, once for each link
     * @param int          $visits          visits to the old addresses in the last 30 days
     * @param list<string> $outside         what outside mentions there are, such as "the almanac (advertisement)"
     *
     * @return list<Touch>
     */
    public function touches(array $menusThatFollow, array $typedIn = [], int $visits = 0, array $outside = []): array
    {
        $along = \count($this->moved) - \count($this->asked);
        $touches = $along > 0 ? [new Touch(TouchKind::BelowComeAlong, count: $along)] : [];
        if ([] !== $menusThatFollow) {
            $touches[] = new Touch(TouchKind::MenusFollow, $menusThatFollow);
        }
        if ([] !== $typedIn) {
            $touches[] = new Touch(TouchKind::TypedLinksRefer, array_values(array_unique($typedIn)), count: \count($typedIn));
        }
        $touches[] = $this->oldAddresses($visits, $outside);
        foreach ([
            [TouchKind::RedirectsFallAway, $this->dropped],
            [TouchKind::RedirectsLeadToNew, $this->retargeted],
            [TouchKind::RedirectsShadowed, $this->shadowed],
        ] as [$kind, $rules]) {
            if ([] !== $rules) {
                $touches[] = new Touch($kind, self::sources($rules));
            }
        }

        return $touches;
    }

    /** @param list<string> $outside */
    private function oldAddresses(int $visits, array $outside): Touch
    {
        $one = 1 === \count($this->asked) ? $this->asked[0]->from->path : null;

        return [] === $this->made
            ? new Touch(TouchKind::NobodyKnows, null === $one ? [] : [$one])
            : new Touch(TouchKind::OldAddressesLeadOn, self::sources($this->made), $one ?? '', count: $visits, also: $outside);
    }

    /**
     * @param list<Rule> $rules
     *
     * @return list<string>
     */
    private static function sources(array $rules): array
    {
        return array_map(static fn (Rule $rule): string => $rule->sourceWords(), $rules);
    }
}
