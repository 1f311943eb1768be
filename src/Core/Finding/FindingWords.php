<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

/** Says what is wrong: the one place where these sentences are made. */
final class FindingWords
{
    public static function of(Finding $finding): string
    {
        $of = $finding->detail(...);
        $link = $of('link').($finding->times() > 1 ? " ({$finding->times()} times)" : '');
        $is = $of('is');
        $to = $of('to');

        return match ($finding->kind) {
            FindingKind::LinkNowhere => "$link leads to {$of('address')}, ".('' === $to ? 'where nothing opens.' : "where “{$to}” $is."),
            FindingKind::LinkClosed => "$link leads to ".self::place($to).", which $is.",
            FindingKind::LinkElsewhere => "$link leads to ".self::place($to).", which $is; visitors are led to {$of('end')} for now.",
            FindingKind::EntryClosed => "$link is left out: ".self::place($to)." $is.",
            FindingKind::LinkTyped => "$link leads to {$of('typed')} by a typed address. That is “{$to}”, and a reference would follow it.",
            FindingKind::LinkOverRedirect => "$link leads to {$of('typed')}, an old address of “{$to}”.",
            FindingKind::PartMissing => "$link leads to the part “{$of('part')}” of “{$to}”, which has no such part."
                .('' === $of('heading') ? '' : " Most like it is “{$of('heading')}”."),
            FindingKind::OutsideBroken => "$link leads to {$of('url')}, which {$of('answer')}.",
            FindingKind::OutsideMoved => "$link leads to {$of('url')}, which moved for good to {$of('new')}.",
            FindingKind::OutsideSecure => "$link leads to {$of('url')}, which answers on https as well.",
            FindingKind::PictureGone => "$link is not shown: ".('' === $of('picture') ? self::place($to) : $of('picture'))." $is.",
            FindingKind::PictureWithoutWords => 'It shows something that no words tell to those who cannot see it.'
                .($finding->times() > 1 ? " ({$finding->times()} times)" : ''),
            FindingKind::ListsNothing => 'Something leads to it, and it lists nothing.',
            FindingKind::PlaceAlone => "It opens at {$of('address')}, but no menu, text or list leads to it.",
            FindingKind::PlaceFar => "No way of {$of('steps')} steps or fewer leads there from the front page.",
            FindingKind::PolicyNotInFooter => 'It opens, but no menu of the footer leads to it.',
            FindingKind::PlaceTwice => ucfirst(self::place($to))." stands in this menu already, as “{$of('other')}”.",
            FindingKind::LabelTwice => "Two lines side by side are called “{$of('label')}”, and lead to two places.",
            FindingKind::LabelForTwo => "“{$of('label')}” leads to “{$to}” ({$of('at')}) here, and to “{$of('other')}” ({$of('there')}) in "
                ."{$of('where')}.",
            FindingKind::HeadingEmpty => 'Nothing below it is shown to anybody, so it is left out.',
            FindingKind::EntryUnseen => "No visitor has got it since {$of('since')}: ".lcfirst(rtrim($of('why'), '.')).'.',
            FindingKind::EntryDates => "Its dates are {$of('own')}; “{$to}” opens {$of('its')}.",
            FindingKind::RedirectNowhere => 'It leads to '.('' === $is ? "{$to}, where nothing opens." : self::place($to).", which $is."),
            FindingKind::RedirectLoop => "It goes round in a circle: {$of('trail')}.",
            FindingKind::RedirectChain => "It leads over another redirect: {$of('trail')}.",
            FindingKind::RedirectShadowed => "“{$to}” opens at this address, so nobody is redirected.",
            FindingKind::RedirectEnded => "It ended on {$of('ended')}.",
            FindingKind::RedirectUnused => "Nobody has followed it since {$of('since')}.",
            FindingKind::ClosedAnswerNowhere => 'While it is closed its visitors are led to '.self::place($to).", which $is.",
            FindingKind::MentionBroken => "It names {$of('address')}, ".('' === $to ? 'where nothing opens.' : "where “{$to}” $is."),
            FindingKind::MentionRoundabout => "It leads over {$of('hops')} steps: {$of('trail')}.",
            FindingKind::BlankEmpty => "The {$of('blank')} is not filled in, so nothing stands there.",
            FindingKind::SignUpTwice => "It is a sign-up for “{$of('list')}”, and so is that of {$of('other')}.",
            FindingKind::Pale, FindingKind::DoesNotFit => $of('says'),
            FindingKind::ListingWithoutDescription => 'Search engines are given no description of it.',
            FindingKind::ListingTitleTwice => "Search engines are given the title “{$of('title')}” for {$of('at')} as well.",
            FindingKind::ListingTooLong => "The {$of('what')} is longer than search engines show: “{$of('shown')}”",
            FindingKind::ListingForSome => "Search engines may list it, but it opens only for {$of('for')}.",
        };
    }

    private static function place(string $title): string
    {
        return '' === $title ? 'a place' : "“{$title}”";
    }
}
