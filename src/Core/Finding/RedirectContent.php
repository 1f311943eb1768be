<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Answer\Answer;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;

/** One redirect, with the time that somebody followed it last. */
final readonly class RedirectContent implements Examinable
{
    private const UNUSED = '+1 year';

    /**
     * @param \DateTimeImmutable|null $followed the last day that a visitor did, of UTC, as visits are counted; null: not since it was made
     */
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
        $note = static fn (
            FindingKind $kind,
            array $details = [],
        ) => $examination->note(new Finding($kind, $subject, $details, [$rule->source->path]));
        if (null !== $rule->until && $rule->until <= $examination->moment) {
            $note(FindingKind::RedirectEnded, ['ended' => $examination->day($rule->until)]);

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
        // Until the end of that day.
        $since = $this->followed?->modify('+1 day') ?? $this->made;
        $unused = $since->modify(self::UNUSED);
        if ($unused < $examination->moment) {
            $note(
                FindingKind::RedirectUnused,
                ['since' => $examination->day($this->followed?->modify('+12 hours') ?? $this->made)],
            );
        } else {
            $examination->shop->until($unused);
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
                $note(
                    FindingKind::RedirectNowhere,
                    ['to' => $place->title ?? '', 'place' => $place->id ?? '', 'is' => $examination->links->closedWords($place)],
                );

                return true;
            }
            $below = $this->rule->goal->address;
            if (null !== $below && null === $this->rule->goal->placeId && !$examination->shop->isAnythingBelow($below)) {
                $note(FindingKind::RedirectNowhere, ['to' => $below->path.'/*', 'place' => '', 'address' => $below->path, 'is' => '']);

                return true;
            }

            return false;
        }
        if ($answer->isCircle()) {
            $note(FindingKind::RedirectLoop, ['trail' => $answer->trailWords()]);

            return true;
        }
        if (!$answer->arrives()) {
            $end = $answer->place ?? $place;
            $note(
                FindingKind::RedirectNowhere,
                [
                    'to' => $end->title ?? (null === $this->rule->goal->placeId ? $this->rule->goalWords() : ''),
                    'place' => $end->id ?? '',
                    'address' => $this->rule->goal->address->path ?? '',
                    'is' => null === $end && null === $this->rule->goal->placeId ? '' : $examination->links->closedWords($end),
                ],
            );

            return true;
        }
        if ($answer->hops() > 1) {
            $note(
                FindingKind::RedirectChain,
                [
                    'to' => $answer->place->title ?? $answer->location ?? '',
                    'place' => $answer->place->id ?? '',
                    'trail' => $answer->trailWords(),
                ],
            );

            return true;
        }

        return false;
    }

    private function answer(Examination $examination): ?Answer
    {
        return $this->rule->prefix ? null : $examination->links->answer($this->rule->source->encoded());
    }
}
