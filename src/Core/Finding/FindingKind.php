<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

/** What can be wrong. Findings are told in groups, a group for each of these. */
enum FindingKind: string
{
    case LinkNowhere = 'link-nowhere';
    case LinkClosed = 'link-closed';
    case RedirectNowhere = 'redirect-nowhere';
    case RedirectLoop = 'redirect-loop';
    case ClosedAnswerNowhere = 'closed-answer-nowhere';
    case MentionBroken = 'mention-broken';
    case OutsideBroken = 'outside-broken';
    case PictureGone = 'picture-gone';
    case PartMissing = 'part-missing';
    case LinkElsewhere = 'link-elsewhere';
    case EntryClosed = 'entry-closed';
    case LinkTyped = 'link-typed';
    case LinkOverRedirect = 'link-over-redirect';
    case OutsideMoved = 'outside-moved';
    case OutsideSecure = 'outside-secure';
    case MentionRoundabout = 'mention-roundabout';
    case ListsNothing = 'lists-nothing';
    case PlaceAlone = 'place-alone';
    case PlaceFar = 'place-far';
    case PolicyNotInFooter = 'policy-not-in-footer';
    case PlaceTwice = 'place-twice';
    case LabelTwice = 'label-twice';
    case LabelForTwo = 'label-for-two';
    case HeadingEmpty = 'heading-empty';
    case EntryUnseen = 'entry-unseen';
    case EntryDates = 'entry-dates';
    case RedirectChain = 'redirect-chain';
    case RedirectShadowed = 'redirect-shadowed';
    case RedirectEnded = 'redirect-ended';
    case RedirectUnused = 'redirect-unused';
    case BlankEmpty = 'blank-empty';
    case PictureWithoutWords = 'picture-without-words';
    case SignUpTwice = 'sign-up-twice';
    case Pale = 'pale';
    case DoesNotFit = 'does-not-fit';
    case ListingWithoutDescription = 'listing-without-description';
    case ListingTitleTwice = 'listing-title-twice';
    case ListingTooLong = 'listing-too-long';
    case ListingForSome = 'listing-for-some';

    /** Whether a visitor who follows it finds nothing. */
    public function isBroken(): bool
    {
        return match ($this) {
            self::LinkNowhere, self::LinkClosed, self::RedirectNowhere, self::RedirectLoop, self::ClosedAnswerNowhere, self::MentionBroken,
            self::OutsideBroken, self::PictureGone => true,
            default => false,
        };
    }

    /** Whether the answers of other web sites decide it. */
    public function isOutside(): bool
    {
        return match ($this) {
            self::OutsideBroken, self::OutsideMoved, self::OutsideSecure => true,
            default => false,
        };
    }

    /** The heading of its group. */
    public function words(): string
    {
        return match ($this) {
            self::LinkNowhere => 'Links to addresses where nothing opens',
            self::LinkClosed => 'Links to places that are closed',
            self::RedirectNowhere => 'Redirects that lead nowhere',
            self::RedirectLoop => 'Redirects that go round in a circle',
            self::ClosedAnswerNowhere => 'Closed places whose visitors are led nowhere',
            self::MentionBroken => 'Outside mentions whose address does not answer',
            self::OutsideBroken => 'Outside links that do not answer',
            self::PictureGone => 'Pictures that are gone',
            self::PartMissing => 'Links to parts that are not there',
            self::LinkElsewhere => 'Links to closed places that lead elsewhere for now',
            self::EntryClosed => 'Entries that are left out because their place is closed',
            self::LinkTyped => 'Typed links that could be references',
            self::LinkOverRedirect => 'Links over old addresses',
            self::OutsideMoved => 'Outside links that moved for good',
            self::OutsideSecure => 'Outside links that answer on https, too',
            self::MentionRoundabout => 'Outside mentions that lead over several steps',
            self::ListsNothing => 'Landing pages that list nothing',
            self::PlaceAlone => 'Places that nothing leads to',
            self::PlaceFar => 'Much visited places that are far from the front page',
            self::PolicyNotInFooter => 'Policies that are in no footer',
            self::PlaceTwice => 'Places that stand twice in one menu',
            self::LabelTwice => 'Labels that stand twice side by side',
            self::LabelForTwo => 'Labels that mean two places',
            self::HeadingEmpty => 'Headings with nothing below',
            self::EntryUnseen => 'Entries that no visitor has got for 30 days',
            self::EntryDates => 'Entries with dates outside of those of their place',
            self::RedirectChain => 'Redirects over another redirect',
            self::RedirectShadowed => 'Redirects behind a place',
            self::RedirectEnded => 'Redirects past their end',
            self::RedirectUnused => 'Redirects that nobody has used for a year',
            self::BlankEmpty => 'Blanks that nothing fills',
            self::PictureWithoutWords => 'Pictures that no words tell of',
            self::SignUpTwice => 'Pages with two sign-ups',
            self::Pale => 'Colours that are too pale to be read',
            self::DoesNotFit => 'What does not fit into a window',
            self::ListingWithoutDescription => 'Search listings without a description',
            self::ListingTitleTwice => 'Search listings with the same title',
            self::ListingTooLong => 'Search listings that are longer than is shown',
            self::ListingForSome => 'Listed for search engines, but not open to them',
        };
    }
}
