<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

use Lantern\Core\Answer\Answerer;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceLookup;
use Lantern\Core\Redirect\RuleLookup;
use Lantern\Core\Visitor;
use Lantern\Core\Words\Blank;

/**
 * What a state of the shop has to be: no two places with one address, no circle of redirects or closed
 * places, no place below itself, nothing that refers to what is not there, no open text with an empty
 * blank. Publishing asks it, and so do taking back and putting back; only what changed is judged.
 */
final readonly class Soundness
{
    private const MAX_LEVELS = 25;

    public function __construct(private PlaceLookup $places, private RuleLookup $rules)
    {
    }

    /**
     * @param array<string, string> $details of the shop, by name
     *
     * @return list<Fault>
     */
    public function faults(Changed $changed, array $details, \DateTimeImmutable $moment): array
    {
        return [
            ...self::addressesTwice($changed->sameSpot),
            ...$this->belowThemselves($changed->places),
            ...array_map(
                static fn (LostLead $lead): Fault => new Fault(FaultKind::EntryWithoutPlace, $lead->label, [$lead->menu]),
                $changed->lost,
            ),
            ...array_map(static fn (Place $place): Fault => new Fault(FaultKind::ClosedToNothing, $place->title), $changed->closedTo),
            ...$this->circles($changed, $moment),
            ...self::emptyBlanks($changed->texts, $details),
        ];
    }

    /**
     * @param list<Place> $sharing
     *
     * @return list<Fault>
     */
    private static function addressesTwice(array $sharing): array
    {
        $titles = [];
        foreach ($sharing as $place) {
            $titles[$place->address->path][] = $place->title;
        }

        return array_map(
            static fn (string $path, array $both): Fault => new Fault(FaultKind::AddressTwice, $path, $both),
            array_map(strval(...), array_keys($titles)),
            $titles,
        );
    }

    /**
     * @param list<Place> $places
     *
     * @return list<Fault>
     */
    private function belowThemselves(array $places): array
    {
        $faults = [];
        foreach ($places as $place) {
            $titles = [];
            $above = null === $place->parentId ? null : $this->places->get($place->parentId);
            while (null !== $above && \count($titles) < self::MAX_LEVELS) {
                $titles[] = $above->title;
                if ($above->id === $place->id) {
                    $faults[] = new Fault(FaultKind::BelowItself, $place->title, \array_slice($titles, 0, -1) ?: [$place->title]);
                    break;
                }
                $above = null === $above->parentId ? null : $this->places->get($above->parentId);
            }
        }

        return $faults;
    }

    /**
     * Asked as a visitor would, from each address that could begin a circle.
     *
     * @return list<Fault>
     */
    private function circles(Changed $changed, \DateTimeImmutable $moment): array
    {
        $from = [];
        foreach ($changed->rules as $rule) {
            if (!$rule->prefix && !$rule->goal->isNowhere() && null === $rule->goal->outside) {
                $from[$rule->source->path] = $rule->source;
            }
        }
        foreach ($changed->places as $place) {
            if (
                !$place->isAlwaysOpen()
                && (ClosedAnswer::Elsewhere === $place->closedAnswer || null !== $this->rules->exact($place->address, $moment))
            ) {
                $from[$place->address->path] = $place->address;
            }
        }
        $answerer = new Answerer($this->places, $this->rules);
        $faults = [];
        foreach ($from as $path => $address) {
            $answer = $answerer->answer($address->path, Visitor::guest($moment));
            if ($answer->isCircle()) {
                $steps = array_map(static fn ($step): string => $step->from, $answer->trail);
                $faults[] = new Fault(
                    FaultKind::Circle,
                    (string) $path,
                    \count($steps) > 12 ? [...\array_slice($steps, 0, 6), '…', $steps[\count($steps) - 1]] : $steps,
                );
            }
        }

        return $faults;
    }

    /**
     * @param list<OpenText>        $texts
     * @param array<string, string> $details
     *
     * @return list<Fault>
     */
    private static function emptyBlanks(array $texts, array $details): array
    {
        $faults = [];
        foreach ($texts as $text) {
            $empty = array_map(static fn (Blank $blank): string => $blank->words(), $text->words->emptyBlanks($details));
            if ([] !== $empty) {
                $faults[] = new Fault(FaultKind::EmptyBlank, $text->title, $empty);
            }
        }

        return $faults;
    }
}
