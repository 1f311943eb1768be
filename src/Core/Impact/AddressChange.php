<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Redirect\Rule;

/** What a change of address does, worked out before it is done. */
final readonly class AddressChange
{
    /**
     * @param list<Readdressed> $moved     the place itself first, then what comes along
     * @param list<NewRedirect> $made      redirects from addresses that visitors know
     * @param list<Rule>        $dropped   redirects from addresses that a place takes back
     * @param list<Rule>        $retargeted prefix redirects that led below the old address, as they will be
     * @param list<Rule>        $shadowed  redirects that no visitor reaches any more, because the place wins
     */
    public function __construct(
        public array $moved,
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
     * @param int          $visits          visits to the old address in the last 30 days
     * @param list<string> $outside         what outside mentions there are, such as "1 advertisement"
     *
     * @return list<string> sentences
     */
    public function sentences(array $menusThatFollow, int $visits = 0, array $outside = []): array
    {
        $said = [];
        $along = \count($this->moved) - 1;
        if ($along > 0) {
            $said[] = \sprintf('%d %s below come along.', $along, 1 === $along ? 'place' : 'places');
        }
        if ([] !== $menusThatFollow) {
            $said[] = \sprintf('%s %s.', Sentence::enumerated($menusThatFollow), 1 === \count($menusThatFollow) ? 'follows by itself' : 'follow by themselves');
        }
        $from = $this->moved[0]->from;
        if ([] !== $this->made) {
            $known = [];
            if ($visits > 0) {
                $known[] = \sprintf('led %d %s here in 30 days', $visits, 1 === $visits ? 'visit' : 'visits');
            }
            if ([] !== $outside) {
                $known[] = 'stands in '.Sentence::enumerated($outside);
            }
            $sources = Sentence::enumerated(array_map(static fn (NewRedirect $r): string => $r->sourceWords(), $this->made));
            $said[] = [] === $known
                ? \sprintf('%s will lead on for good (301).', $sources)
                : \sprintf('%s %s: %s will lead on for good (301).', $from, implode(' and ', $known), $sources);
        } else {
            $said[] = \sprintf('No visitor knows %s yet, so nothing needs to lead on from it.', $from);
        }
        foreach ($this->dropped as $rule) {
            $said[] = \sprintf('The redirect from %s falls away, because the place opens there again.', $rule->sourceWords());
        }
        foreach ($this->retargeted as $rule) {
            $said[] = \sprintf('The redirect from %s leads to the new address at once.', $rule->sourceWords());
        }
        foreach ($this->shadowed as $rule) {
            $said[] = \sprintf('The redirect from %s no longer reaches anybody, because the place wins.', $rule->sourceWords());
        }

        return $said;
    }
}
