<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Menu\Resolver;
use Lantern\Core\Moment;
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
     * @param list<NamedTree>      $menus    the menus that lead to the place
     * @param array<string, Place> $places   every place that these menus refer to, by id
     * @param list<Mention>        $mentions of the place, all kinds
     * @param int                  $visits   in the last 30 days
     * @param array<string, list<Place>> $candidates what could fill the self-filling entries of these menus, the place among them, by entry
     *            id
     * @param array<string, string> $elsewhere addresses of the places that visitors are led to while it is closed, by id
     */
    public function __construct(
        private array $menus,
        private array $places,
        private array $mentions,
        private int $visits,
        private array $elsewhere = [],
        private array $candidates = [],
    ) {
    }

    /** @return list<Touch> empty where nothing becomes different at this moment */
    public function touches(Place $before, Place $after, Visitor $visitor): array
    {
        $touches = [];
        $arrival = $this->arrival($after, $visitor);
        if (!$arrival->equals($this->arrival($before, $visitor))) {
            $touches[] = new Touch(
                TouchKind::AnswersNow,
                at: $after->address->path,
                arrival: $arrival,
                breaks: \in_array($arrival->kind, [VisitorOutcomeKind::FindsNothing, VisitorOutcomeKind::FindsItGone], true),
            );
        } elseif ($before->isShownTo($visitor) !== $after->isShownTo($visitor) && $after->opensFor($visitor)) {
            $touches[] = new Touch(TouchKind::GoesOnOpening, at: $after->address->path);
        }
        $touches = [...$touches, ...$this->dates($before, $after, $visitor)];
        foreach ($this->menus as $menu) {
            $touches = [...$touches, ...$this->menu($menu, $before, $after, $visitor)];
        }

        return [
            ...$touches,
            ...$this->lists($before, $after, $visitor),
            ...$this->mentions($before, $after, $visitor),
            ...$this->sitemap($before, $after, $visitor),
        ];
    }

    /**
     * What both a guest and a customer get, told once, and then what only customers get.
     *
     * @param \DateTimeImmutable $now in the time zone in which dates are told
     *
     * @return list<Touch>
     */
    public function touchesForAll(Place $before, Place $after, \DateTimeImmutable $now): array
    {
        $touches = $this->touches($before, $after, Visitor::guest($now));
        $customers = array_filter(
            $this->touches($before, $after, Visitor::customer($now)),
            static fn (Touch $one): bool => [] === array_filter($touches, $one->equals(...)),
        );

        return [] === $touches
            ? array_values($customers)
            : [...$touches, ...array_map(static fn (Touch $one): Touch => $one->forCustomers(), array_values($customers))];
    }

    /** What becomes of a visitor who comes to its address. */
    private function arrival(Place $place, Visitor $visitor): VisitorOutcome
    {
        return match (true) {
            $place->opensFor($visitor) => new VisitorOutcome(VisitorOutcomeKind::Arrives),
            $place->opensAt($visitor->moment) => new VisitorOutcome(
                Audience::Customers === $place->audience ? VisitorOutcomeKind::IsAskedToSignIn : VisitorOutcomeKind::ForGuestsOnly,
            ),
            ClosedAnswer::Elsewhere === $place->closedAnswer => new VisitorOutcome(
                VisitorOutcomeKind::IsLedForNow,
                $this->elsewhere[$place->closedTo ?? ''] ?? null,
            ),
            ClosedAnswer::Gone === $place->closedAnswer => new VisitorOutcome(VisitorOutcomeKind::FindsItGone),
            default => new VisitorOutcome(VisitorOutcomeKind::FindsNothing),
        };
    }

    /** @return list<Touch> what its dates will do later, where they are other ones than before */
    private function dates(Place $before, Place $after, Visitor $visitor): array
    {
        $touches = [];
        foreach ([
            [TouchKind::OpensByItself, $before->opening->from, $after->opening->from],
            [TouchKind::ClosesByItself, $before->opening->until, $after->opening->until],
        ] as [$kind, $was, $is]) {
            if ($after->light->opens() && null !== $is && $is > $visitor->moment && !Moment::same($is, $was)) {
                $touches[] = new Touch($kind, moment: $is->setTimezone($visitor->moment->getTimezone()));
            }
        }

        return $touches;
    }

    /** @return array<string, list<Place>> */
    private function candidatesWith(Place $place): array
    {
        return array_map(
            static fn (array $places): array => array_map(
                static fn (Place $one): Place => $one->id === $place->id ? $place : $one,
                $places,
            ),
            $this->candidates,
        );
    }

    /** @return list<Touch> */
    private function menu(NamedTree $menu, Place $before, Place $after, Visitor $visitor): array
    {
        $was = Resolver::resolve($menu->tree, [$before->id => $before] + $this->places, $visitor, $this->candidatesWith($before))->byId();
        $is = Resolver::resolve($menu->tree, [$after->id => $after] + $this->places, $visitor, $this->candidatesWith($after))->byId();
        $touches = [];
        foreach ($was as $id => $entry) {
            if (!isset($is[$id])) {
                $touches[] = new Touch(TouchKind::EntryGoes, [$entry->label], $menu->name);
            } elseif (null !== $entry->href && null === $is[$id]->href) {
                $touches[] = new Touch(TouchKind::EntryBecomesHeading, [$entry->label], $menu->name, count: \count($is[$id]->children));
            }
        }
        foreach ($is as $id => $entry) {
            if (!isset($was[$id])) {
                $touches[] = new Touch(TouchKind::EntryComes, [$entry->label], $menu->name);
            } elseif (null !== $entry->href && null === $was[$id]->href) {
                $touches[] = new Touch(TouchKind::HeadingLeads, [$entry->label], $menu->name);
            }
        }

        return $touches;
    }

    /** @return list<Touch> */
    private function lists(Place $before, Place $after, Visitor $visitor): array
    {
        if ($before->isShownTo($visitor) === $after->isShownTo($visitor)) {
            return [];
        }
        $touches = [new Touch(
            $after->isShownTo($visitor) ? TouchKind::ListsShowIt : TouchKind::ListsLeaveItOut,
            $this->named(MentionKind::List),
        )];
        if (PlaceKind::Category === $after->kind && Light::Quiet === $after->lightAt($visitor->moment)) {
            $touches[] = new Touch(TouchKind::ProductsKeepTheirLight);
        }

        return $touches;
    }

    /** @return list<Touch> */
    private function mentions(Place $before, Place $after, Visitor $visitor): array
    {
        $arrival = $this->arrival($after, $visitor);
        if ($before->isShownTo($visitor) === $after->isShownTo($visitor) && $arrival->equals($this->arrival($before, $visitor))) {
            return [];
        }
        if ($after->opensFor($visitor) && $before->opensFor($visitor)) {
            $arrival = new VisitorOutcome(VisitorOutcomeKind::GoesOnArriving);
        }
        $touches = [];
        foreach ([
            [MentionKind::Text, TouchKind::TextsLink],
            [MentionKind::Redirect, TouchKind::RedirectsLead],
            [MentionKind::ClosedPlace, TouchKind::ClosedPlacesLead],
            [MentionKind::Outside, TouchKind::OutsideLeads],
        ] as [$of, $kind]) {
            $names = $this->named($of);
            if ([] !== $names) {
                $touches[] = new Touch($kind, $names, arrival: $arrival, breaks: $arrival->breaks());
            }
        }
        if ($this->visits > 0 && !$after->opensFor($visitor)) {
            $touches[] = new Touch(TouchKind::VisitsArrived, count: $this->visits, breaks: $arrival->breaks());
        }

        return $touches;
    }

    /** @return list<Touch> */
    private function sitemap(Place $before, Place $after, Visitor $visitor): array
    {
        $is = $after->isInSitemapAt($visitor->moment);

        return $before->isInSitemapAt($visitor->moment) === $is
            ? []
            : [new Touch($is ? TouchKind::SitemapNamesIt : TouchKind::SitemapDropsIt)];
    }

    /** @return list<string> each once */
    private function named(MentionKind $kind): array
    {
        return array_values(array_unique(array_map(
            MentionWords::named(...),
            array_filter($this->mentions, static fn (Mention $one): bool => $one->kind === $kind),
        )));
    }
}
