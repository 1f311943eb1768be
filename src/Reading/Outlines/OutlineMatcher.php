<?php

declare(strict_types=1);

namespace Lantern\Reading\Outlines;

use Lantern\Core\Menu\ContactTarget;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\Menu\Target;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Outline\Likeness;
use Lantern\Core\Outline\OutlineLine;
use Lantern\Core\Place\Place;
use Lantern\Core\Refused;
use Lantern\Interchange\Stored\EntryCodec;
use Lantern\Interchange\Stored\Fields;
use Lantern\Interchange\Stored\PieceCodec;
use Lantern\Reading\Answers\OwnAddresses;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Places\PlaceTable;
use Symfony\Component\Uid\UuidV7;

/** Finds what the lines of a menu that comes from elsewhere lead to. Nothing is changed by it. */
final readonly class OutlineMatcher
{
    private const MOST_CANDIDATES = 6;
    private const DEEPEST = 12;

    public function __construct(private Copies $copies, private PlaceTable $table, private OwnAddresses $own)
    {
    }

    /**
     * @param list<OutlineLine> $lines
     * @param bool              $byWords whether a line that does not say where it leads is looked for by its words; else it is a heading
     *
     * @return list<MatchedLine>
     */
    public function match(array $lines, bool $byWords = true): array
    {
        $all = array_merge($lines, ...array_map(static fn (OutlineLine $line): array => $line->panel, $lines));
        $leads = array_values(array_filter(array_map(static fn (OutlineLine $line): string => $line->lead, $all)));
        foreach ($all as $line) {
            $leads = [...$leads, ...self::addressesIn($line->filling ?? [])];
        }
        $targets = $this->own->targets(array_values(array_unique($leads)));
        $places = $this->copies->workbench->places->byIds(array_values(array_unique(array_map(
            static fn (PlaceTarget $target): string => $target->placeId,
            $targets,
        ))));
        $words = array_values(array_unique(array_map(
            static fn (OutlineLine $line): string => $line->label,
            array_filter(
                $byWords ? $lines : [],
                static fn (OutlineLine $line): bool => '' === $line->lead
                    && '' !== $line->label
                    && null === $line->filling
                    && null === $line->piece,
            ),
        )));
        $found = $this->table->alike($words);

        // What stands how deep in a page is for the page to judge.
        $deepest = [] === array_filter($lines, static fn (OutlineLine $line): bool => null !== $line->piece)
            ? Tree::MAX_DEPTH
            : self::DEEPEST;

        return array_map(function (OutlineLine $line, int $n) use ($lines, $targets, $places, $found, $byWords, $deepest): MatchedLine {
            $level = min($line->level, $deepest);
            $problem = $level === $line->level
                ? null
                : \sprintf('It stood on level %d; a menu has %d, so it is put on the last.', $line->level, $deepest);
            $matches = $this->matches($line->label, $found[$line->label] ?? []);
            $isHeading = !$byWords || ($lines[$n + 1]->level ?? 0) > $line->level;
            $panel = null;
            try {
                $panel = $this->panel($line->panel, $targets, $places);
            } catch (Refused $refused) {
                $problem = \sprintf('Its wide panel cannot be taken over: %s', $refused->getMessage());
            }
            try {
                return new MatchedLine(
                    $line,
                    $level,
                    $this->entry($line, $targets, $places, $matches, $isHeading),
                    $matches,
                    $problem,
                    $panel,
                );
            } catch (Refused $refused) {
                return new MatchedLine($line, $level, null, $matches, $refused->getMessage(), $panel);
            }
        }, $lines, array_keys($lines));
    }

    /**
     * @param list<OutlineLine>          $lines   of a wide panel, the panel itself first
     * @param array<string, PlaceTarget> $targets by what was typed
     * @param array<string, Place>       $places
     *
     * @throws Refused
     */
    private function panel(array $lines, array $targets, array $places): ?Entry
    {
        /** @var list<list<Entry>> $open what stands on each level, still without what follows below */
        $open = [[]];
        $close = static function (int $level) use (&$open): void {
            while (\count($open) > $level) {
                $children = array_pop($open) ?? [];
                $parent = array_pop($open[\count($open) - 1]);
                if (null !== $parent) {
                    $open[\count($open) - 1][] = $parent->withChildren($children);
                }
            }
        };
        foreach ($lines as $line) {
            $close($line->level);
            if (\count($open) < $line->level) {
                $open[] = [];
            }
            $open[\count($open) - 1][] = $this->entry($line, $targets, $places, [], true)
                ?? throw new Refused('target', \sprintf('It is not said where “%s” leads.', $line->label));
        }
        $close(1);

        return $open[0][0] ?? null;
    }

    /**
     * @param array<string, PlaceTarget> $targets by what was typed
     * @param array<string, Place>       $places
     * @param list<PlaceMatch>           $matches
     */
    private function entry(OutlineLine $line, array $targets, array $places, array $matches, bool $isHeading): ?Entry
    {
        $target = match (true) {
            '' !== $line->lead => $targets[$line->lead] ?? $this->elsewhere($line->lead),
            [] !== $matches => new PlaceTarget($matches[0]->place->id),
            $isHeading || null !== $line->filling || null !== $line->piece => new Heading(),
            default => null,
        };
        if (null === $target) {
            return null;
        }
        $title = $target instanceof PlaceTarget ? ($places[$target->placeId]->title ?? ($matches[0]->place->title ?? null)) : null;
        $label = match (true) {
            $target instanceof PlaceTarget && ('' === $line->label || $line->label === $title) => null,
            '' === $line->label && null !== $line->piece => null,
            '' === $line->label => mb_substr(
                (string) preg_replace('~^(https?://(www\.)?|mailto:|tel:)~i', '', $line->lead),
                0,
                Entry::MAX_LABEL,
            ),
            default => $line->label,
        };

        return new Entry(
            (new UuidV7())->toRfc4122(), $target, $label, [], $line->enabled, $line->audience, $line->opening,
            $line->newTab && $target instanceof OutsideTarget, $line->note, null === $line->filling
                ? null
                : $this->filling($line->filling, $targets),
            null === $line->piece ? null : PieceCodec::decode(Fields::of($line->piece, 'piece')),
        );
    }

    private function elsewhere(string $lead): Target
    {
        if (str_starts_with($lead, 'mailto:') || str_starts_with($lead, 'tel:')) {
            return ContactTarget::fromUri($lead);
        }
        if (null !== $this->own->within($lead)) {
            throw new Refused('target', "Nothing in this shop is at {$lead}. Choose the place it should lead to.");
        }

        return new OutsideTarget($lead);
    }

    /**
     * @param list<Place> $candidates
     *
     * @return list<PlaceMatch>
     */
    private function matches(string $label, array $candidates): array
    {
        $matches = [];
        foreach ($candidates as $place) {
            $likeness = Likeness::between($label, $place->title);
            if (null !== $likeness->sureness) {
                $matches[] = new PlaceMatch($place, $likeness->sureness, $likeness->score);
            }
        }
        usort(
            $matches,
            static fn (PlaceMatch $a, PlaceMatch $b): int => [
                $b->score,
                \count($a->place->address->ancestors()),
                $a->place->address->path,
            ] <=> [$a->score, \count($b->place->address->ancestors()), $b->place->address->path],
        );

        return \array_slice($matches, 0, self::MOST_CANDIDATES);
    }

    /**
     * @param array<string, mixed>       $filling with addresses
     * @param array<string, PlaceTarget> $targets
     */
    private function filling(array $filling, array $targets): SelfFilling
    {
        $id = static fn (string $address): string => ($targets[$address] ?? throw new Refused(
            'filling',
            "Nothing in this shop is at {$address}, from which the line should fill itself.",
        ))->placeId;
        $of = \is_string($filling['of'] ?? null) ? $id($filling['of']) : null;
        $labels = [];
        foreach (\is_array($filling['labels'] ?? null) ? $filling['labels'] : [] as $address => $label) {
            $labels[$id((string) $address)] = $label;
        }
        $leftOut = array_map(
            $id,
            array_values(array_filter(\is_array($filling['leftOut'] ?? null) ? $filling['leftOut'] : [], \is_string(...))),
        );

        return EntryCodec::filling(Fields::of(['placeId' => $of, 'labels' => $labels, 'leftOut' => $leftOut] + $filling, 'fills'));
    }

    /**
     * @param array<string, mixed> $filling
     *
     * @return list<string>
     */
    private static function addressesIn(array $filling): array
    {
        return array_values(array_filter([
            $filling['of'] ?? null,
            ...array_map(strval(...), array_keys(\is_array($filling['labels'] ?? null) ? $filling['labels'] : [])),
            ...array_values(\is_array($filling['leftOut'] ?? null) ? $filling['leftOut'] : []),
        ], \is_string(...)));
    }
}
