<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** Says what a change touches: the one place where these sentences are made. */
final class TouchWords
{
    /** How many of what is touched are named before the rest is counted. */
    private const NAMED = 4;
    private const NAMED_IN_MOVE = 3;

    /**
     * @param list<Touch> $touches
     *
     * @return list<string>
     */
    public static function all(array $touches): array
    {
        return array_map(self::of(...), $touches);
    }

    public static function of(Touch $touch): string
    {
        $sentence = match ($touch->kind) {
            TouchKind::GoesOnOpening, TouchKind::AnswersNow, TouchKind::OpensByItself, TouchKind::ClosesByItself,
            TouchKind::LeadsOn, TouchKind::NobodyKnows, TouchKind::AnotherOpensThere => self::address($touch),
            TouchKind::EntryGoes, TouchKind::EntryGoesForGood, TouchKind::EntryComes, TouchKind::EntryBecomesHeading,
            TouchKind::HeadingLeads, TouchKind::MenusFollow,
            TouchKind::EntryIsThere, TouchKind::EntryIsNotThere, TouchKind::EntryIsHeading, TouchKind::EntryLeads => self::menu($touch),
            TouchKind::ListsShowIt, TouchKind::ListsLeaveItOut, TouchKind::ProductsKeepTheirLight, TouchKind::SitemapNamesIt,
            TouchKind::SitemapDropsIt => self::lists($touch),
            TouchKind::TextsLink, TouchKind::RedirectsLead, TouchKind::ClosedPlacesLead, TouchKind::OutsideLeads,
            TouchKind::VisitsArrived => self::followed($touch),
            TouchKind::TextsRewritten, TouchKind::PiecesGo, TouchKind::TypedLinksRefer, TouchKind::ClosedPlacesFollow,
            TouchKind::OutsideStays => self::rewritten($touch),
            TouchKind::OlderAddressesFollow, TouchKind::OlderAddressesNotFound, TouchKind::RedirectsFallAway,
            TouchKind::RedirectsLeadToNew, TouchKind::RedirectsShadowed, TouchKind::OldAddressesLeadOn => self::redirects($touch),
            TouchKind::BelowKeepTheirAddresses, TouchKind::BelowComeAlong => self::below($touch),
            TouchKind::FindingsCome => \sprintf(
                'The link check would find %s. %s%s',
                1 === $touch->count ? 'one thing more' : "{$touch->count} things more",
                implode(' ', \array_slice($touch->things, 0, self::NAMED_IN_MOVE)),
                $touch->count > self::NAMED_IN_MOVE ? ' …' : '',
            ),
            TouchKind::FindingsGo => \sprintf(
                'It mends %s. %s%s',
                1 === $touch->count ? 'one finding' : "{$touch->count} findings",
                implode(' ', \array_slice($touch->things, 0, self::NAMED_IN_MOVE)),
                $touch->count > self::NAMED_IN_MOVE ? ' …' : '',
            ),
            TouchKind::SeenOtherwise => \sprintf(
                '“%s” %s; for a guest today it %s.',
                $touch->things[0],
                self::sight($touch->seen),
                self::sight($touch->seenToday),
            ),
        };

        return $touch->forCustomers ? "For customers: $sentence" : $sentence;
    }

    private static function address(Touch $touch): string
    {
        return match ($touch->kind) {
            TouchKind::GoesOnOpening => "{$touch->at} goes on opening. It is never “not found”, whoever arrives from wherever.",
            TouchKind::OpensByItself => \sprintf('It opens by itself on %s.', self::moment($touch)),
            TouchKind::ClosesByItself => \sprintf('It closes by itself on %s.', self::moment($touch)),
            TouchKind::NobodyKnows => [] === $touch->things
                ? 'No visitor knows these addresses yet, so nothing needs to lead on from them.'
                : "No visitor knows {$touch->things[0]} yet, so nothing needs to lead on from it.",
            TouchKind::AnotherOpensThere => "At {$touch->at}, where visitors know it, “{$touch->things[0]}” opens by now.",
            default => \sprintf('%s %s%s.', $touch->at, match ($touch->arrival?->kind) {
                VisitorOutcomeKind::IsAskedToSignIn => 'asks a guest to sign in (403)',
                VisitorOutcomeKind::ForGuestsOnly => 'opens for guests only',
                VisitorOutcomeKind::IsLedForNow => \sprintf('leads to %s for now (302)', $touch->arrival->where ?? 'another place'),
                VisitorOutcomeKind::IsLedForGood => \sprintf('leads to “%s” for good (301)', $touch->arrival->where ?? ''),
                VisitorOutcomeKind::FindsItGone => 'answers “gone” (410)',
                VisitorOutcomeKind::FindsNothing => 'answers “not found” (404)',
                default => 'opens',
            }, $touch->count > 0 ? \sprintf('; it had %s in 30 days', self::counted($touch->count, 'visit', 'visits')) : ''),
        };
    }

    private static function menu(Touch $touch): string
    {
        $label = $touch->things[0] ?? '';

        return match ($touch->kind) {
            TouchKind::EntryGoes => "{$touch->at} loses “{$label}”.",
            TouchKind::EntryGoesForGood => "{$touch->at} loses {$label}; what stands below it stays, under a heading.",
            TouchKind::EntryComes => "{$touch->at} shows “{$label}”.",
            TouchKind::EntryBecomesHeading => \sprintf(
                '%s: “%s” becomes a heading above %s.',
                $touch->at,
                $label,
                self::counted($touch->count, 'entry', 'entries'),
            ),
            TouchKind::HeadingLeads => "{$touch->at}: the heading “{$label}” leads there.",
            TouchKind::MenusFollow => \sprintf(
                '%s %s.',
                Sentence::enumerated($touch->things, self::NAMED_IN_MOVE),
                1 === \count($touch->things) ? 'follows by itself' : 'follow by themselves',
            ),
            TouchKind::EntryIsThere => "{$touch->at}: “{$label}” is there.",
            TouchKind::EntryIsNotThere => "{$touch->at}: “{$label}” is not there.",
            TouchKind::EntryIsHeading => "{$touch->at}: “{$label}” is a heading.",
            default => "{$touch->at}: “{$label}” leads somewhere.",
        };
    }

    private static function lists(Touch $touch): string
    {
        $named = [] === $touch->things
            ? ''
            : \sprintf(' and the %s of %s', 1 === \count($touch->things) ? 'page' : 'pages', Sentence::enumerated($touch->things));

        return match ($touch->kind) {
            TouchKind::ListsShowIt => '' === $named ? 'The shop’s own search shows it.' : "The shop’s own search{$named} show it.",
            TouchKind::ListsLeaveItOut => '' === $named
                ? 'The shop’s own search leaves it out.'
                : "The shop’s own search{$named} leave it out.",
            TouchKind::ProductsKeepTheirLight => 'Its products keep their own light: each stays where it is shown now.',
            TouchKind::SitemapNamesIt => 'The sitemap names it.',
            default => 'The sitemap names it no more.',
        };
    }

    private static function followed(Touch $touch): string
    {
        if (TouchKind::VisitsArrived === $touch->kind) {
            return \sprintf('%s arrived here in 30 days.', self::counted($touch->count, 'visit', 'visits'));
        }
        $count = \count($touch->things);
        $who = match ($touch->kind) {
            TouchKind::TextsLink => self::counted($count, 'text links', 'texts link'),
            TouchKind::RedirectsLead => self::counted($count, 'redirect leads', 'redirects lead'),
            TouchKind::ClosedPlacesLead => self::counted($count, 'closed place leads', 'closed places lead'),
            default => self::counted($count, 'outside mention leads', 'outside mentions lead'),
        };

        return \sprintf('%s here: %s. Whoever follows %s %s.', $who, Sentence::enumerated(
            $touch->things,
            self::NAMED,
        ), 1 === $count ? 'it' : 'them', match ($touch->arrival?->kind) {
            VisitorOutcomeKind::GoesOnArriving => 'goes on arriving',
            VisitorOutcomeKind::IsAskedToSignIn, VisitorOutcomeKind::ForGuestsOnly => 'is asked to sign in',
            VisitorOutcomeKind::IsLedForNow, VisitorOutcomeKind::IsLedForGood => 'is led to '.($touch->arrival->where ?? 'another place'),
            VisitorOutcomeKind::FindsItGone, VisitorOutcomeKind::FindsNothing => 'finds nothing',
            default => 'arrives again',
        });
    }

    private static function rewritten(Touch $touch): string
    {
        $there = self::there($touch);
        $quoted = self::quoted(
            array_values(array_unique($touch->things)),
            TouchKind::TypedLinksRefer === $touch->kind ? self::NAMED_IN_MOVE : self::NAMED,
        );

        return match ($touch->kind) {
            TouchKind::TypedLinksRefer => \sprintf(
                '%s, in %s, will be rewritten to refer to the place.',
                self::counted($touch->count, 'typed link', 'typed links'),
                $quoted,
            ),
            TouchKind::TextsRewritten => null === $there
                ? "The links in {$quoted} become plain words."
                : "The links in {$quoted} lead to {$there}.",
            TouchKind::PiecesGo => null === $there
                ? "Pieces that lead here are taken out of {$quoted}: buttons, cards, products and lines of links. A heading keeps its "
                    .'words.'
                : "Pieces of {$quoted} that lead here lead to {$there}.",
            TouchKind::ClosedPlacesFollow => null !== $there
                ? "Closed places that lead here lead to {$there}: {$quoted}."
                : \sprintf(
                    'Closed places that lead here answer “%s” instead: %s.',
                    VisitorOutcomeKind::FindsItGone === $touch->arrival?->kind ? 'gone' : 'not found',
                    $quoted,
                ),
            default => \sprintf(
                'Outside of the shop its address stands in %s. Whoever follows it %s; change it there by hand.',
                Sentence::enumerated($touch->things, self::NAMED),
                null === $there ? 'finds nothing' : "arrives at {$there}",
            ),
        };
    }

    private static function redirects(Touch $touch): string
    {
        $there = self::there($touch);
        $one = 1 === \count($touch->things);
        $few = Sentence::enumerated($touch->things, self::NAMED_IN_MOVE);
        $sources = Sentence::enumerated($touch->things, self::NAMED);

        return match ($touch->kind) {
            TouchKind::OlderAddressesFollow => null === $there
                ? "Older addresses answer “gone”, too: {$sources}."
                : "Older addresses lead to {$there}, too: {$sources}.",
            TouchKind::OlderAddressesNotFound => "Older addresses are not found any more, either: {$sources}.",
            TouchKind::RedirectsFallAway => $one
                ? "The redirect from {$few} falls away, because the place opens there."
                : "The redirects from {$few} fall away, because places open there.",
            TouchKind::RedirectsLeadToNew => $one
                ? "The redirect from {$few} leads to the new address at once."
                : "The redirects from {$few} lead to the new addresses at once.",
            TouchKind::RedirectsShadowed => $one
                ? "The redirect from {$few} no longer reaches anybody, because the place wins."
                : "The redirects from {$few} no longer reach anybody, because the places win.",
            default => self::oldAddresses($touch, $few),
        };
    }

    private static function oldAddresses(Touch $touch, string $sources): string
    {
        $many = '' === $touch->at;
        $known = [];
        if ($touch->count > 0) {
            $known[] = \sprintf('led %s here in 30 days', self::counted($touch->count, 'visit', 'visits'));
        }
        if ([] !== $touch->also) {
            $known[] = ($many ? 'stand in ' : 'stands in ').Sentence::enumerated($touch->also, self::NAMED_IN_MOVE);
        }

        return ([] === $known ? '' : \sprintf('%s %s: ', $many ? 'The old addresses' : $touch->at, implode(' and ', $known)))
            ."{$sources} will lead on for good (301).";
    }

    private static function below(Touch $touch): string
    {
        if (TouchKind::BelowComeAlong === $touch->kind) {
            return \sprintf('%s below %s along.', self::counted($touch->count, 'place', 'places'), 1 === $touch->count ? 'comes' : 'come');
        }
        $names = self::quoted($touch->things, self::NAMED);

        return 1 === \count($touch->things)
            ? "{$names} below it keeps its address, and stands one step higher."
            : "{$names} below it keep their addresses, and stand one step higher.";
    }

    private static function sight(?PlaceVisibility $sight): string
    {
        return match ($sight) {
            PlaceVisibility::Open => 'is open',
            PlaceVisibility::OpenUnlisted => 'opens, but is in no menu or list',
            PlaceVisibility::OtherAudience => 'asks for another audience',
            default => 'is closed',
        };
    }

    /** The place that visitors are led to, in quotes; null where they find nothing. */
    private static function there(Touch $touch): ?string
    {
        return VisitorOutcomeKind::IsLedForGood === $touch->arrival?->kind ? "“{$touch->arrival->where}”" : null;
    }

    /** "1 March 2027, 10:00 (Europe/London)" */
    private static function moment(Touch $touch): string
    {
        return null === $touch->moment
            ? ''
            : \sprintf(
                '%s (%s)',
                $touch->moment->format('j F Y, H:i'),
                \in_array($touch->moment->getTimezone()->getName(), ['Z', '+00:00'], true)
                    ? 'UTC'
                    : $touch->moment->getTimezone()->getName(),
            );
    }

    private static function counted(int $count, string $one, string $many): string
    {
        return "$count ".(1 === $count ? $one : $many);
    }

    /** @param list<string> $names */
    private static function quoted(array $names, int $most): string
    {
        return Sentence::enumerated(array_map(static fn (string $one): string => "“{$one}”", $names), $most);
    }
}
