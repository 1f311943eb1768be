<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

use Lantern\Core\Shop\SettingWords;

/** Tells the difference between two copies in words, grouped by what a person would name. */
final class Comparison
{
    private const NAMED = 4;

    /**
     * @param list<Difference> $differences
     *
     * @return list<WaitingChange>
     */
    public static function changes(array $differences): array
    {
        $groups = [];
        foreach ($differences as $one) {
            $groups[$one->thing->subject()->value.' '.$one->subjectId][] = $one;
        }
        $changes = [];
        foreach ($groups as $group) {
            $subject = $group[0]->thing->subject();
            $changes[] = new WaitingChange(
                $subject,
                $group[0]->subjectId,
                self::name($subject, $group),
                array_merge(...array_map(self::sentences(...), $group)),
            );
        }
        usort(
            $changes,
            static fn (WaitingChange $a, WaitingChange $b): int => [
                self::rank($a->subject),
                $a->name,
            ] <=> [self::rank($b->subject), $b->name],
        );

        return $changes;
    }

    /**
     * The tray's one line: "header · About us · 2 redirects".
     *
     * @param list<WaitingChange> $changes
     * @param int                 $redirects that are not among them
     * @param int                 $more      other things that are not among them
     */
    public static function summary(array $changes, int $redirects = 0, int $more = 0): string
    {
        $parts = [];
        foreach ($changes as $change) {
            if (Thing::Redirect === $change->subject) {
                ++$redirects;
            } else {
                $parts[] = $change->name;
            }
        }
        $named = \array_slice($parts, 0, self::NAMED);
        $more += \count($parts) - \count($named);
        if ($more > 0) {
            $named[] = \sprintf('%s more', number_format($more));
        }
        if ($redirects > 0) {
            $named[] = \sprintf('%s %s', number_format($redirects), 1 === $redirects ? 'redirect' : 'redirects');
        }

        return implode(' · ', $named);
    }

    /** @param non-empty-list<Difference> $group */
    private static function name(Thing $subject, array $group): string
    {
        return match ($subject) {
            Thing::Bay => 'where menus hang',
            Thing::Setting => implode(
                ', ',
                array_unique(array_map(static fn (Difference $one): string => SettingWords::about($one->id), $group)),
            ),
            default => $group[0]->subjectName ?: 'something that is no longer there',
        };
    }

    /** @return list<string> */
    private static function sentences(Difference $one): array
    {
        return match ($one->thing) {
            Thing::Entry => self::entry($one),
            Thing::Place => self::place($one),
            Thing::Redirect => [match ($one->presence) {
                Presence::New => "Visitors are led on to {$one->leads}.",
                Presence::Removed => 'This redirect falls away.',
                Presence::Both => "It leads to {$one->leads} now.",
            }],
            Thing::Words => ['The words changed.'],
            Thing::Picks => ['The products picked by hand changed.'],
            Thing::Menu => [match ($one->presence) {
                Presence::New => 'menu' === $one->kind || '' === $one->kind ? 'This menu is new.' : "This {$one->kind} is laid out now.",
                Presence::Removed => 'This menu was removed.',
                Presence::Both => "Its name was “{$one->formerName}”.",
            }],
            Thing::Bay => self::bay($one),
            Thing::Setting => [SettingWords::of($one->id, $one->leads)],
        };
    }

    /** @return list<string> */
    private static function bay(Difference $one): array
    {
        $where = '' === $one->name ? ucfirst(str_replace('-', ' ', $one->id)) : "Beside the pages of “{$one->name}”";

        return match ($one->presence) {
            Presence::New => ["$where: there is a bay now."],
            Presence::Removed => ["$where: the bay is taken away."],
            Presence::Both => array_values(array_unique(array_map(static fn (AspectChange $change): string => match ($change->aspect) {
                Aspect::Label => '' === $change->is ? "$where: it has no heading." : "$where: its heading is “{$change->is}”.",
                Aspect::Position => "$where: it stands elsewhere in the footer.",
                Aspect::Width => \sprintf('%s: it takes %s of the footer’s parts.', $where, $change->is),
                Aspect::Filling => '' === $change->is
                    ? "$where: it shows the menu that hangs there."
                    : "$where: it shows the pages of its group by itself.",
                default => \sprintf('%s: “%s” hangs here.', $where, $one->leads ?: 'nothing'),
            }, $one->aspects))),
        };
    }

    /** @return list<string> */
    private static function entry(Difference $one): array
    {
        $label = $one->name ?: 'an entry';
        if (Presence::New === $one->presence) {
            return ["“{$label}” is new."];
        }
        if (Presence::Removed === $one->presence) {
            return ["“{$label}” was taken out."];
        }

        return array_values(array_unique(array_map(static fn (AspectChange $change): string => match ($change->aspect) {
            Aspect::Label => $one->formerName === $one->name
                ? "“{$label}” now follows or keeps its own label."
                : "“{$one->formerName}” is now called “{$label}”.",
            Aspect::Position => "“{$label}” stands in another position.",
            Aspect::Enabled => '' === $change->is ? "“{$label}” was switched off." : "“{$label}” was switched on.",
            Aspect::Target => "“{$label}” leads somewhere else.",
            Aspect::Audience => "“{$label}” has another audience.",
            Aspect::Dates => "“{$label}” has other dates.",
            Aspect::Note => "The note on “{$label}” changed.",
            Aspect::Content => "“{$label}” shows something else, or is laid out otherwise.",
            Aspect::Filling => "“{$label}” fills itself otherwise.",
            default => "“{$label}” changed.",
        }, $one->aspects)));
    }

    /** @return list<string> */
    private static function place(Difference $one): array
    {
        if (Presence::New === $one->presence) {
            return ["This {$one->kind} is new, at {$one->leads}."];
        }
        if (Presence::Removed === $one->presence) {
            return ["It was removed from {$one->leads}."];
        }

        return array_values(array_unique(array_map(static fn (AspectChange $change): string => match ($change->aspect) {
            Aspect::Title => "Title: “{$change->was}” becomes “{$change->is}”.",
            Aspect::Address => "Address: {$change->was} becomes {$change->is}.",
            Aspect::Light => \sprintf('Light: %s becomes %s.', ucfirst($change->was), ucfirst($change->is)),
            Aspect::Dates => 'Its opening has other dates.',
            Aspect::Audience => "Audience: {$change->was} becomes {$change->is}.",
            Aspect::Listing => 'Its search listing changed.',
            Aspect::ClosedAnswer => 'While it is closed, its address answers otherwise.',
            Aspect::Serving => 'Links open it in another way.',
            Aspect::Content => 'It has other content.',
            Aspect::Filling => 'It comes by its products in another way.',
            Aspect::Filters => 'Visitors narrow its listing by other filters.',
            Aspect::Summary => 'Its short description changed.',
            Aspect::Picture => 'Its picture changed.',
            Aspect::Parent => '' === $change->is ? 'It stands below no other place.' : 'It stands below another place.',
            Aspect::Position => 'It stands in another position among its siblings.',
            default => 'Something else about it changed.',
        }, $one->aspects)));
    }

    private static function rank(Thing $subject): int
    {
        return (int) array_search($subject, [Thing::Bay, Thing::Menu, Thing::Place, Thing::Redirect, Thing::Setting], true);
    }
}
