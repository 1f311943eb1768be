<?php

declare(strict_types=1);

namespace Lantern\Core\Answer;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\BadAddress;
use Lantern\Core\Address\Query;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Place;
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
        [$path, $query] = Query::split($target);
        try {
            $asked = Address::parse($path);
        } catch (BadAddress $bad) {
            return new Answer(400, null, null, [new Step($path, $bad->getMessage())], null);
        }

        $trail = [];
        $status = null;
        if ($asked->encoded() !== $path && $asked->path !== $path) {
            $trail[] = new Step($path, 'brought to normal form', $asked->path);
            $status = RedirectStatus::ForGood;
        }

        return $this->follow($asked, $query, $visitor, $trail, $status);
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
                return new Answer(404, $asked, null, [...$trail, new Step($at->path, 'redirects go round in a circle')], null, $changesAt);
            }
            $seen[$at->path] = true;

            $place = $this->places->at($at);
            $changesAt = self::earlier($changesAt, $place?->opening->nextChange($visitor->moment));
            if (true === $place?->opensAt($visitor->moment)) {
                return $this->arrived($asked, $place, Query::merge($targetQuery, $query), $visitor, $trail, $status, $changesAt);
            }
            $rule = $this->rules->exact($at, $visitor->moment) ?? $this->rules->longestPrefix($at, $visitor->moment);
            if (null !== $rule) {
                $changesAt = self::earlier($changesAt, $rule->until);
                if (RedirectStatus::Gone === $rule->status) {
                    return new Answer(410, $asked, null, [...$trail, new Step($at->path, 'gone', null, $rule->id)], null, $changesAt);
                }
                $status = null === $status ? $rule->status : $status->then($rule->status);
                if (null !== $rule->goal->outside) {
                    $trail[] = new Step($at->path, $this->why($rule), $rule->goal->outside, $rule->id);

                    return new Answer($status->value, $asked, Query::added($rule->goal->outside, Query::merge($targetQuery, $query)), $trail, null, $changesAt);
                }
                $next = null !== $rule->goal->placeId ? $this->places->get($rule->goal->placeId)?->address : $rule->next($at);
                if (null === $next) {
                    return new Answer(404, $asked, null, [...$trail, new Step($at->path, 'a redirect whose place is no longer there', null, $rule->id)], null, $changesAt);
                }
                $targetQuery = Query::merge($rule->goal->query, $targetQuery);
                $trail[] = new Step($at->path, $this->why($rule), $next->path, $rule->id);
                $at = $next;
                continue;
            }
            if (null !== $place && ClosedAnswer::Elsewhere === $place->closedAnswer && null !== $place->closedTo) {
                $elsewhere = $this->places->get($place->closedTo);
                if (null !== $elsewhere) {
                    $status = null === $status ? RedirectStatus::ForNow : $status->then(RedirectStatus::ForNow);
                    $trail[] = new Step($at->path, 'closed, leads elsewhere for now', $elsewhere->address->path);
                    $at = $elsewhere->address;
                    continue;
                }
            }

            return $this->nothing($asked, $at, $place, $trail, $changesAt);
        }
    }

    /** @param list<Step> $trail */
    private function arrived(Address $asked, Place $place, string $query, Visitor $visitor, array $trail, ?RedirectStatus $status, ?\DateTimeImmutable $changesAt): Answer
    {
        $allowed = $place->audience->includes($visitor);
        $trail[] = new Step($place->address->path, $allowed ? 'opens' : 'opens for another audience');
        if (null !== $status) {
            return new Answer($status->value, $asked, $place->address->encoded().('' === $query ? '' : '?'.$query), $trail, $place, $changesAt);
        }

        return new Answer($allowed ? 200 : 403, $asked, null, $trail, $place, $changesAt);
    }

    /** @param list<Step> $trail */
    private function nothing(Address $asked, Address $at, ?Place $place, array $trail, ?\DateTimeImmutable $changesAt): Answer
    {
        // A dead end is told at once: leading a visitor on to it would be a hop to nothing.
        if (null === $place) {
            return new Answer(404, $asked, null, [...$trail, new Step($at->path, 'nothing is here')], null, $changesAt);
        }
        $gone = ClosedAnswer::Gone === $place->closedAnswer;

        return new Answer($gone ? 410 : 404, $asked, null, [...$trail, new Step($at->path, $gone ? 'closed, answers gone' : 'closed, answers not found')], $place, $changesAt);
    }

    private static function earlier(?\DateTimeImmutable $one, ?\DateTimeImmutable $other): ?\DateTimeImmutable
    {
        return null === $one || null === $other ? $one ?? $other : min($one, $other);
    }

    private function why(Rule $rule): string
    {
        return \sprintf('redirect %s %s', $rule->sourceWords(), $rule->status->words());
    }
}
