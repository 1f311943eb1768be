<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Menu\Resolver;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Visitor;

/** Tells what becomes different when a place gets another light, other dates or another audience. */
final readonly class LightPlanner
{
    /**
     * @param array<string, Tree>  $menus    the menus that lead to the place, by name
     * @param array<string, Place> $places   every place that these menus refer to, by id
     * @param list<Mention>        $mentions of the place, all kinds
     * @param int                  $visits   in the last 30 days
     * @param array<string, list<Place>> $candidates what could fill the self-filling entries of these menus, the place among them, by entry id
     * @param string|null          $elsewhere address that visitors are led to while the place is closed
     */
    public function __construct(
        private array $menus,
        private array $places,
        private array $mentions,
        private int $visits,
        private ?string $elsewhere = null,
        private array $candidates = [],
    ) {
    }

    /** @return list<Touch> empty where nothing becomes different at this moment */
    public function touches(Place $before, Place $after, Visitor $visitor): array
    {
        $said = [];
        if ($this->door($before, $visitor) !== $this->door($after, $visitor)) {
            $said[] = $this->address($after, $visitor);
        } elseif ($before->isShownTo($visitor) !== $after->isShownTo($visitor) && $after->opensFor($visitor)) {
            $said[] = new Touch(\sprintf('%s goes on opening. It is never “not found”, whoever arrives from wherever.', $after->address));
        }
        $said = [...$said, ...$this->dates($before, $after, $visitor)];
        foreach ($this->menus as $name => $tree) {
            $said = [...$said, ...$this->menu($name, $tree, $before, $after, $visitor)];
        }

        return [...$said, ...$this->lists($before, $after, $visitor), ...$this->mentions($before, $after, $visitor), ...$this->sitemap($before, $after, $visitor)];
    }

    private function door(Place $place, Visitor $visitor): string
    {
        return match (true) {
            $place->opensFor($visitor) => 'opens',
            $place->opensAt($visitor->moment) => 'asks to sign in',
            default => $place->closedAnswer->value.$place->closedTo,
        };
    }

    /** @return list<Touch> what its dates will do later, where they are other ones than before */
    private function dates(Place $before, Place $after, Visitor $visitor): array
    {
        $said = [];
        if ($after->light->opens() && $after->opening->from > $visitor->moment && $after->opening->from != $before->opening->from) {
            $said[] = new Touch(\sprintf('It opens by itself on %s (UTC).', $after->opening->from->format('j F Y, H:i')));
        }
        if ($after->light->opens() && $after->opening->until > $visitor->moment && $after->opening->until != $before->opening->until) {
            $said[] = new Touch(\sprintf('It closes by itself on %s (UTC).', $after->opening->until->format('j F Y, H:i')));
        }

        return $said;
    }

    private function address(Place $after, Visitor $visitor): Touch
    {
        if ($after->opensFor($visitor)) {
            return new Touch("{$after->address} opens.");
        }
        if ($after->opensAt($visitor->moment)) {
            return new Touch(Audience::Customers === $after->audience
                ? "{$after->address} asks a guest to sign in (403)."
                : "{$after->address} opens for guests only.");
        }

        return new Touch(\sprintf('%s %s.', $after->address, match ($after->closedAnswer) {
            ClosedAnswer::NotFound => 'answers “not found” (404)',
            ClosedAnswer::Gone => 'answers “gone” (410)',
            ClosedAnswer::Elsewhere => \sprintf('leads to %s for now (302)', $this->elsewhere ?? 'another place'),
        }), ClosedAnswer::Elsewhere !== $after->closedAnswer);
    }

    /** @return array<string, list<Place>> */
    private function candidatesWith(Place $place): array
    {
        return array_map(static fn (array $places): array => array_map(static fn (Place $one): Place => $one->id === $place->id ? $place : $one, $places), $this->candidates);
    }

    /** @return list<Touch> */
    private function menu(string $name, Tree $tree, Place $before, Place $after, Visitor $visitor): array
    {
        $was = Resolver::resolve($tree, [$before->id => $before] + $this->places, $visitor, $this->candidatesWith($before))->byId();
        $is = Resolver::resolve($tree, [$after->id => $after] + $this->places, $visitor, $this->candidatesWith($after))->byId();
        $said = [];
        foreach ($was as $id => $entry) {
            if (!isset($is[$id])) {
                $said[] = new Touch("{$name} loses “{$entry->label}”.");
            } elseif (null !== $entry->href && null === $is[$id]->href) {
                $said[] = new Touch(\sprintf('%s: “%s” becomes a heading above %d %s.', $name, $entry->label, \count($is[$id]->children), 1 === \count($is[$id]->children) ? 'entry' : 'entries'));
            }
        }
        foreach ($is as $id => $entry) {
            if (!isset($was[$id])) {
                $said[] = new Touch("{$name} shows “{$entry->label}”.");
            } elseif (null !== $entry->href && null === $was[$id]->href) {
                $said[] = new Touch("{$name}: the heading “{$entry->label}” leads there.");
            }
        }

        return $said;
    }

    /** @return list<Touch> */
    private function lists(Place $before, Place $after, Visitor $visitor): array
    {
        $lists = array_map(static fn (Mention $one): string => $one->where, array_values(array_filter($this->mentions, static fn (Mention $one): bool => 'list' === $one->kind)));
        if ($before->isShownTo($visitor) === $after->isShownTo($visitor)) {
            return [];
        }
        $named = [] === $lists ? '' : \sprintf(' and the %s of %s', 1 === \count($lists) ? 'page' : 'pages', Sentence::enumerated($lists));
        $verb = $after->isShownTo($visitor) ? 'show it' : 'leave it out';
        $said = [new Touch("The shop’s own search$named $verb.")];
        if (PlaceKind::Category === $after->kind && Light::Quiet === $after->lightAt($visitor->moment)) {
            $said[] = new Touch('Its products keep their own light: each stays where it is shown now.');
        }

        return $said;
    }

    /** @return list<Touch> */
    private function mentions(Place $before, Place $after, Visitor $visitor): array
    {
        $opened = $before->opensFor($visitor);
        $opens = $after->opensFor($visitor);
        $led = ClosedAnswer::Elsewhere === $after->closedAnswer && !$after->opensAt($visitor->moment);
        [$breaks, $then] = match (true) {
            $opens => [false, $opened ? 'goes on arriving' : 'arrives again'],
            $after->opensAt($visitor->moment) => [true, 'is asked to sign in'],
            $led => [false, 'is led to '.($this->elsewhere ?? 'another place')],
            default => [true, 'finds nothing'],
        };
        if ($opened === $opens && $before->isShownTo($visitor) === $after->isShownTo($visitor) && $this->door($before, $visitor) === $this->door($after, $visitor)) {
            return [];
        }
        $said = [];
        foreach (['text' => ['text links', 'texts link'], 'redirect' => ['redirect leads', 'redirects lead'], 'closed-place' => ['closed place leads', 'closed places lead'], 'outside' => ['outside mention leads', 'outside mentions lead']] as $kind => [$one, $many]) {
            $names = array_values(array_unique(array_map(
                static fn (Mention $mention): string => 'outside' === $kind ? $mention->named() : $mention->where,
                array_filter($this->mentions, static fn (Mention $mention): bool => $mention->kind === $kind),
            )));
            if ([] !== $names) {
                $said[] = new Touch(\sprintf('%d %s here: %s. Whoever follows %s %s.', \count($names), 1 === \count($names) ? $one : $many, Sentence::enumerated($names, 4), 1 === \count($names) ? 'it' : 'them', $then), $breaks);
            }
        }
        if ($this->visits > 0 && !$opens) {
            $said[] = new Touch(\sprintf('%d %s arrived here in 30 days.', $this->visits, 1 === $this->visits ? 'visit' : 'visits'), $breaks);
        }

        return $said;
    }

    /** @return list<Touch> */
    private function sitemap(Place $before, Place $after, Visitor $visitor): array
    {
        $is = $after->isInSitemapAt($visitor->moment);
        if ($before->isInSitemapAt($visitor->moment) === $is) {
            return [];
        }

        return [new Touch($is ? 'The sitemap names it.' : 'The sitemap names it no more.')];
    }
}
