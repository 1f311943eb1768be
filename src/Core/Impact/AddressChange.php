<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Redirect\Rule;

/** What a change of addresses does, worked out before it is done. */
final readonly class AddressChange
{
    private const NAMED = 3;

    /**
     * @param list<Readdressed> $moved      all that get another address
     * @param list<Readdressed> $asked      those of them that somebody asked for; the others come along
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
     * What happens, in the words of the interface.
     *
     * @param list<string> $menusThatFollow names of the menus whose entries refer to a place that moves
     * @param list<string> $typedIn         titles of the places whose texts have an old address typed in, once for each link
     * @param int          $visits          visits to the old addresses in the last 30 days
     * @param list<string> $outside         what outside mentions there are, such as "the almanac (advertisement)"
     *
     * @return list<string> sentences
     */
    public function sentences(array $menusThatFollow, array $typedIn = [], int $visits = 0, array $outside = []): array
    {
        $said = [];
        $along = \count($this->moved) - \count($this->asked);
        if ($along > 0) {
            $said[] = \sprintf('%d %s below %s along.', $along, 1 === $along ? 'place' : 'places', 1 === $along ? 'comes' : 'come');
        }
        if ([] !== $menusThatFollow) {
            $said[] = \sprintf('%s %s.', Sentence::enumerated($menusThatFollow, self::NAMED), 1 === \count($menusThatFollow) ? 'follows by itself' : 'follow by themselves');
        }
        if ([] !== $typedIn) {
            $said[] = \sprintf('%d typed %s, in %s, will be rewritten to refer to the place.', \count($typedIn), 1 === \count($typedIn) ? 'link' : 'links', Sentence::enumerated(array_map(static fn (string $title): string => "“{$title}”", array_values(array_unique($typedIn))), self::NAMED));
        }

        return [...$said, $this->oldAddresses($visits, $outside), ...$this->otherRedirects()];
    }

    /** @param list<string> $outside */
    private function oldAddresses(int $visits, array $outside): string
    {
        $many = \count($this->asked) > 1;
        $from = $many ? 'The old addresses' : $this->asked[0]->from->path;
        if ([] === $this->made) {
            return $many ? 'No visitor knows these addresses yet, so nothing needs to lead on from them.' : \sprintf('No visitor knows %s yet, so nothing needs to lead on from it.', $from);
        }
        $known = [];
        if ($visits > 0) {
            $known[] = \sprintf('led %d %s here in 30 days', $visits, 1 === $visits ? 'visit' : 'visits');
        }
        if ([] !== $outside) {
            $known[] = ($many ? 'stand in ' : 'stands in ').Sentence::enumerated($outside, self::NAMED);
        }
        $sources = Sentence::enumerated(array_map(static fn (Rule $rule): string => $rule->sourceWords(), $this->made), self::NAMED);

        return ([] === $known ? '' : \sprintf('%s %s: ', $from, implode(' and ', $known))).\sprintf('%s will lead on for good (301).', $sources);
    }

    /** @return list<string> */
    private function otherRedirects(): array
    {
        $said = [];
        foreach ([
            [$this->dropped, 'The redirect from %s falls away, because the place opens there again.', 'The redirects from %s fall away, because their places open there again.'],
            [$this->retargeted, 'The redirect from %s leads to the new address at once.', 'The redirects from %s lead to the new addresses at once.'],
            [$this->shadowed, 'The redirect from %s no longer reaches anybody, because the place wins.', 'The redirects from %s no longer reach anybody, because the places win.'],
        ] as [$rules, $one, $many]) {
            if ([] !== $rules) {
                $said[] = \sprintf(1 === \count($rules) ? $one : $many, Sentence::enumerated(array_map(static fn (Rule $rule): string => $rule->sourceWords(), $rules), self::NAMED));
            }
        }

        return $said;
    }
}
