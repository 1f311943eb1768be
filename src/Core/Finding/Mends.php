<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

/** How each finding can be put right; what is likeliest to be wanted comes first. */
final class Mends
{
    /** @return non-empty-list<Mend> */
    public static function of(Finding $finding): array
    {
        $isEntry = SubjectType::Entry === $finding->subject->type || SubjectType::Piece === $finding->subject->type;
        $in = match ($finding->subject->type) {
            SubjectType::Text => "Touches 1 text: “{$finding->subject->name}”",
            SubjectType::Entry, SubjectType::Piece => "Touches “{$finding->subject->name}” in {$finding->subject->where}",
            default => '',
        };
        $elsewhere = new Mend(MendKind::LeadElsewhere, 'Lead it to another place', $in);
        $takeOut = new Mend(
            MendKind::TakeOut,
            $isEntry ? 'Take it out' : 'Take the link out, its words stay',
            SubjectType::Entry === $finding->subject->type ? "$in; what stands below it takes its stand" : $in,
        );
        $open = new Mend(
            MendKind::OpenPlace,
            \sprintf('Open “%s”', $finding->detail('to')),
            'Menus and lists show it again; it opens at its address',
        );
        $opening = '' === $finding->detail('place') ? [] : [$open];
        $refer = new Mend(MendKind::Refer, 'Make it a reference', "$in; it follows when the address changes");
        $quiet = new Mend(MendKind::MakeQuiet, 'Make it quiet', 'Menus and lists leave it out; it goes on opening at its address');

        return match ($finding->kind) {
            FindingKind::LinkNowhere, FindingKind::LinkClosed, FindingKind::LinkElsewhere, FindingKind::EntryClosed => [
                $elsewhere,
                $takeOut,
                ...$opening,
            ],
            FindingKind::LinkTyped, FindingKind::LinkOverRedirect => [$refer],
            FindingKind::PartMissing => [
                ...('' === $finding->detail('nearest') ? [] : [new Mend(
                    MendKind::NearestPart,
                    \sprintf('Lead to “%s”', $finding->detail('heading')),
                    $in,
                )]),
                new Mend(MendKind::WholePage, 'Lead to the whole page', $in),
            ],
            FindingKind::OutsideBroken => [self::redirectGoes($finding, $takeOut)],
            FindingKind::OutsideMoved, FindingKind::OutsideSecure => [
                new Mend(MendKind::NewAddress, 'Take the new address', $in),
                self::redirectGoes($finding, $takeOut),
            ],
            FindingKind::PictureGone => [
                new Mend(MendKind::TakeOut, 'Take the picture out', $in),
                new Mend(MendKind::AtTheSpot, 'Choose another picture'),
            ],
            FindingKind::PictureWithoutWords => [new Mend(MendKind::Write, 'Write what it shows', $in)],
            FindingKind::ListsNothing => [$quiet, new Mend(MendKind::AtTheSpot, 'Choose what it lists')],
            FindingKind::PlaceAlone, FindingKind::PlaceFar => [new Mend(MendKind::AtTheSpot, 'Put it into a menu'), $quiet],
            FindingKind::PolicyNotInFooter => [new Mend(
                MendKind::IntoFooter,
                'Put it into the footer',
                'Touches the menu of the footer in which most policies stand',
            )],
            FindingKind::PlaceTwice => [new Mend(MendKind::TakeOut, 'Take this one out', $in)],
            FindingKind::LabelTwice => [
                new Mend(MendKind::AnotherLabel, 'Give it another label', $in),
                new Mend(MendKind::TakeOut, 'Take this one out', $in),
            ],
            FindingKind::LabelForTwo => 1 === ($finding->details['filled'] ?? 0)
                ? [new Mend(MendKind::AtTheSpot, 'Give it another label')]
                : [new Mend(MendKind::AnotherLabel, 'Give it another label', $in)],
            FindingKind::HeadingEmpty, FindingKind::EntryUnseen => [$takeOut],
            FindingKind::EntryDates => [new Mend(MendKind::DatesOfPlace, 'Give it no dates but those of its place', $in)],
            FindingKind::RedirectNowhere => [
                new Mend(MendKind::LeadElsewhere, 'Lead it to another place'),
                new Mend(MendKind::TakeOut, 'Take it out', 'The address is not found from then on'),
                ...$opening,
            ],
            FindingKind::RedirectLoop => [
                new Mend(MendKind::LeadElsewhere, 'Lead it to a place'),
                new Mend(MendKind::TakeOut, 'Take it out'),
            ],
            FindingKind::RedirectChain => [new Mend(MendKind::Straighten, \sprintf('Lead it straight to “%s”', $finding->detail('to')))],
            FindingKind::RedirectShadowed => [new Mend(MendKind::TakeOut, 'Take it out', 'Nobody notices: the place answers already')],
            FindingKind::RedirectEnded, FindingKind::RedirectUnused => [new Mend(MendKind::TakeOut, 'Take it out')],
            FindingKind::ClosedAnswerNowhere => [
                new Mend(MendKind::LeadElsewhere, 'Lead its visitors to another place'),
                new Mend(MendKind::TakeOut, 'Answer “not found” while it is closed'),
                ...$opening,
            ],
            FindingKind::MentionBroken => [
                new Mend(MendKind::LeadOn, 'Redirect the address to a place'),
                ...('' === $finding->detail('place') ? [] : [$open]),
            ],
            FindingKind::MentionRoundabout => [
                new Mend(MendKind::Straighten, 'Lead its redirect straight there', 'Touches the redirect that it arrives by'),
                new Mend(MendKind::NoteAddress, 'It names the new address by now', 'Touches only our note of it'),
            ],
            FindingKind::BlankEmpty => [new Mend(MendKind::AtTheSpot, \sprintf('Fill in the %s', $finding->detail('blank')))],
            FindingKind::SignUpTwice => [new Mend(MendKind::TakeOut, 'Take the one of the page out', $in)],
            FindingKind::Pale => [
                ...('' === $finding->detail('colour') ? [] : [new Mend(
                    MendKind::NearestColour,
                    \sprintf('Take the nearest colour that is read, %s', $finding->detail('colour')),
                    $in,
                )]),
                new Mend(MendKind::AtTheSpot, 'Choose colours'),
            ],
            FindingKind::DoesNotFit => [new Mend(MendKind::AtTheSpot, 'Look at it')],
            FindingKind::ListingWithoutDescription => [new Mend(MendKind::Write, 'Write a description')],
            FindingKind::ListingTitleTwice => [new Mend(MendKind::Write, 'Write another title'), ...self::following($finding)],
            FindingKind::ListingTooLong => [
                new Mend(MendKind::Write, \sprintf('Write a shorter %s', $finding->detail('what'))),
                ...self::following($finding),
            ],
            FindingKind::ListingForSome => [new Mend(
                MendKind::NotListed,
                'Tell search engines not to list it',
                'Touches the sitemap and the search listing',
            )],
        };
    }

    /** A redirect is not a link with words: it is taken out itself. */
    private static function redirectGoes(Finding $finding, Mend $takeOut): Mend
    {
        return SubjectType::Redirect === $finding->subject->type
            ? new Mend(MendKind::TakeOut, 'Take it out', 'The address is not found from then on')
            : $takeOut;
    }

    /** @return list<Mend> */
    private static function following(Finding $finding): array
    {
        return 1 === ($finding->details['own'] ?? 0)
            ? [new Mend(MendKind::Follow, 'Let it follow the place', 'What was typed for search engines goes')]
            : [];
    }

    public static function one(Finding $finding, MendKind $kind): ?Mend
    {
        foreach (self::of($finding) as $mend) {
            if ($mend->kind === $kind) {
                return $mend;
            }
        }

        return null;
    }
}
