<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Answer\Answer;
use Lantern\Core\Answer\Step;
use Lantern\Core\Answer\Why;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;

/** One redirect, with the time that somebody followed it last. */
final readonly class RedirectContent implements Examinable
{
    private const UNUSED = '-1 year';

    /** @param \DateTimeImmutable|null $followed null: not since it was made */
    public function __construct(public Rule $rule, private \DateTimeImmutable $made, private ?\DateTimeImmutable $followed)
    {
    }

    public function key(): string
    {
        return "redirect:{$this->rule->id}";
    }

    public function examine(Examination $examination): void
    {
        $rule = $this->rule;
        $subject = new Subject(SubjectType::Redirect, $rule->id, $rule->sourceWords());
        $note = static fn (FindingKind $kind, array $details = []) => $examination->note(new Finding($kind, $subject, $details, [$rule->source->path]));
        if (null !== $rule->until && $rule->until <= $examination->moment) {
            $note(FindingKind::RedirectEnded, ['ended' => $rule->until->setTimezone($examination->shop->zone())->format('j F Y')]);

            return;
        }
        $examination->shop->until($rule->until);
        $there = $rule->prefix ? null : $examination->shop->at($rule->source);
        if (true === $there?->opensAt($examination->moment)) {
            $note(FindingKind::RedirectShadowed, ['to' => $there->title, 'place' => $there->id]);

            return;
        }
        if (RedirectStatus::Gone !== $rule->status && null === $rule->goal->outside && $this->isWrong($examination, $note)) {
            return;
        }
        if (null !== $rule->goal->outside) {
            $examination->links->outside($rule->goal->outside, $rule->sourceWords(), $subject, [$rule->source->path]);
        }
        $since = $this->followed ?? $this->made;
        $yearAgo = $examination->moment->modify(self::UNUSED);
        if ($since < $yearAgo) {
            $note(FindingKind::RedirectUnused, ['since' => $since->format('j F Y')]);
        } else {
            $examination->shop->until($since->modify('+1 year'));
        }
    }

    /** @param \Closure(FindingKind, array<string, string|int>): void $note */
    private function isWrong(Examination $examination, \Closure $note): bool
    {
        $place = null === $this->rule->goal->placeId ? null : $examination->shop->get($this->rule->goal->placeId);
        $answer = $this->answer($examination);
        if (null === $answer) {
            // All below an address that leads on to another: what stands there is as it may be, but for the place itself.
            if (null !== $this->rule->goal->placeId && true !== $place?->opensAt($examination->moment)) {
                $note(FindingKind::RedirectNowhere, ['to' => $place->title ?? 'A place', 'place' => $place->id ?? '', 'is' => $examination->links->closedWords($place)]);

                return true;
            }

            return false;
        }
        if ($answer->isCircle()) {
            $note(FindingKind::RedirectLoop, ['trail' => implode(' → ', array_map(static fn (Step $step): string => $step->from, $answer->trail))]);

            return true;
        }
        if (!$answer->isRedirect() && 200 !== $answer->status && 403 !== $answer->status) {
            $end = $answer->place ?? $place;
            $note(FindingKind::RedirectNowhere, ['to' => $end->title ?? $this->rule->goalWords(), 'place' => $end->id ?? '', 'is' => null === $end && null === $this->rule->goal->placeId ? '' : $examination->links->closedWords($end)]);

            return true;
        }
        if (self::hops($answer) > 1) {
            $note(FindingKind::RedirectChain, ['to' => $answer->place->title ?? $answer->location ?? '', 'place' => $answer->place->id ?? '', 'trail' => implode(' → ', [...array_map(static fn (Step $step): string => $step->from, $answer->trail)]), 'rules' => self::hops($answer)]);

            return true;
        }

        return false;
    }

    private function answer(Examination $examination): ?Answer
    {
        return $this->rule->prefix ? null : $examination->links->answer($this->rule->source->encoded());
    }

    /** How many redirects, and closed places that lead elsewhere, a visitor is led over; all of them in one hop of the browser. */
    public static function hops(Answer $answer): int
    {
        return \count(array_filter($answer->trail, static fn (Step $step): bool => Why::Redirect === $step->why || Why::ClosedElsewhere === $step->why));
    }
}
