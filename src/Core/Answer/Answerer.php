<?php

declare(strict_types=1);

namespace Lantern\Core\Answer;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\BadAddress;
use Lantern\Core\Address\Query;
use Lantern\Core\Address\SplitTarget;
use Lantern\Core\Moment;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceLookup;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\RuleLookup;
use Lantern\Core\Visitor;

/** Finds out what a request gets: the place itself, one hop to the end of its trail, or why there is nothing. */
final readonly class Answerer
{
    /** Rules are kept without chains, so a trail this long only comes of rules that grow an address on and on. */
    private const MAX_STEPS = 25;

    public function __construct(private PlaceLookup $places, private RuleLookup $rules)
    {
    }

    /** @param string $target path and query as they were asked for (RFC 9112, 3.2.1) */
    public function answer(string $target, Visitor $visitor): Answer
    {
        $split = SplitTarget::of($target);
        $path = $split->path;
        try {
            $asked = Address::parse($path);
        } catch (BadAddress $bad) {
            return new Answer(400, null, null, [new Step($path, StepReason::NoAddress, about: $bad->getMessage())], null);
        }

        $trail = [];
        $status = null;
        if ($asked->encoded() !== $path && $asked->path !== $path) {
            $trail[] = new Step($path, StepReason::NormalForm, $asked->path);
            $status = RedirectStatus::ForGood;
        }

        return $this->follow($asked, $split->query, $visitor, $trail, $status);
    }

    /** @param list<Step> $trail */
    private function follow(Address $asked, string $query, Visitor $visitor, array $trail, ?RedirectStatus $status): Answer
    {
        $at = $asked;
        $targetQuery = '';
        $seen = [];
        $changesAt = null;
        while (true) {
            if (isset($seen[$at->path]) || \count($seen) >= self::MAX_STEPS) {
                return new Answer(404, $asked, null, [...$trail, new Step($at->path, StepReason::Circle)], null, $changesAt);
            }
            $seen[$at->path] = true;

            $place = $this->places->at($at);
            $changesAt = Moment::earlier($changesAt, $place?->opening->nextChange($visitor->moment));
            if (true === $place?->opensAt($visitor->moment)) {
                return $this->arrived($asked, $place, Query::merge($targetQuery, $query), $visitor, $trail, $status, $changesAt);
            }
            $rule = $this->rules->exact($at, $visitor->moment) ?? $this->rules->longestPrefix($at, $visitor->moment);
            if (null !== $rule) {
                $changesAt = Moment::earlier($changesAt, $rule->until);
                if (RedirectStatus::Gone === $rule->status) {
                    return new Answer(
                        410,
                        $asked,
                        null,
                        [...$trail, new Step($at->path, StepReason::Gone, null, $rule->id, prefix: self::prefix($rule))],
                        null,
                        $changesAt,
                    );
                }
                $status = null === $status ? $rule->status : $status->then($rule->status);
                if (null !== $rule->goal->outside) {
                    $trail[] = new Step(
                        $at->path,
                        StepReason::Redirect,
                        $rule->goal->outside,
                        $rule->id,
                        self::about($rule),
                        self::prefix($rule),
                    );

                    return new Answer(
                        $status->value,
                        $asked,
                        Query::added($rule->goal->outside, Query::merge($targetQuery, $query)),
                        $trail,
                        null,
                        $changesAt,
                    );
                }
                $next = null !== $rule->goal->placeId ? $this->places->get($rule->goal->placeId)?->address : $rule->next($at);
                if (null === $next) {
                    return new Answer(
                        404,
                        $asked,
                        null,
                        [...$trail, new Step($at->path, StepReason::PlaceRemoved, null, $rule->id, prefix: self::prefix($rule))],
                        null,
                        $changesAt,
                    );
                }
                $targetQuery = Query::merge($rule->goal->query, $targetQuery);
                $trail[] = new Step($at->path, StepReason::Redirect, $next->path, $rule->id, self::about($rule), self::prefix($rule));
                $at = $next;
                continue;
            }
            if (null !== $place && ClosedAnswer::Elsewhere === $place->closedAnswer && null !== $place->closedTo) {
                $elsewhere = $this->places->get($place->closedTo);
                if (null !== $elsewhere) {
                    $status = null === $status ? RedirectStatus::ForNow : $status->then(RedirectStatus::ForNow);
                    $trail[] = new Step($at->path, StepReason::ClosedElsewhere, $elsewhere->address->path);
                    $at = $elsewhere->address;
                    continue;
                }
            }

            return $this->nothing($asked, $at, $place, $trail, $changesAt);
        }
    }

    /** @param list<Step> $trail */
    private function arrived(
        Address $asked,
        Place $place,
        string $query,
        Visitor $visitor,
        array $trail,
        ?RedirectStatus $status,
        ?\DateTimeImmutable $changesAt,
    ): Answer {
        $allowed = $place->audience->includes($visitor);
        $trail[] = new Step($place->address->path, $allowed ? StepReason::Opens : StepReason::OtherAudience);
        if (null !== $status) {
            return new Answer(
                $status->value,
                $asked,
                $place->address->encoded().('' === $query ? '' : '?'.$query),
                $trail,
                $place,
                $changesAt,
            );
        }

        return new Answer($allowed ? 200 : 403, $asked, null, $trail, $place, $changesAt);
    }

    /** @param list<Step> $trail */
    private function nothing(Address $asked, Address $at, ?Place $place, array $trail, ?\DateTimeImmutable $changesAt): Answer
    {
        // A dead end is told at once: leading a visitor on to it would be a hop to nothing.
        if (null === $place) {
            return new Answer(404, $asked, null, [...$trail, new Step($at->path, StepReason::NothingHere)], null, $changesAt);
        }
        $gone = ClosedAnswer::Gone === $place->closedAnswer;

        return new Answer(
            $gone ? 410 : 404,
            $asked,
            null,
            [...$trail, new Step($at->path, $gone ? StepReason::ClosedGone : StepReason::ClosedNotFound)],
            $place,
            $changesAt,
        );
    }

    private static function prefix(Rule $rule): ?string
    {
        return $rule->prefix ? $rule->source->path : null;
    }

    private static function about(Rule $rule): string
    {
        return \sprintf('%s %s', $rule->sourceWords(), $rule->status->words());
    }
}
