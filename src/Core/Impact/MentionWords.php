<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** Says what a mention is: the one place where these words are made. */
final class MentionWords
{
    public static function of(Mention $mention): string
    {
        return match (true) {
            $mention instanceof EntryMention => "“{$mention->label}”"
                .([] === $mention->trail ? '' : ' under '.implode(' › ', $mention->trail))
                .('' === $mention->part ? '' : ", to the part “{$mention->part}”"),
            $mention instanceof TextMention => match ($mention->form) {
                LinkForm::Link => 'a link', LinkForm::Button => 'a button', LinkForm::Picture => 'a picture', LinkForm::Video => 'a video',
                LinkForm::Piece => 'a piece of the page', LinkForm::Typed => 'a typed address',
            }.(
                $mention->times > 1 ? ", {$mention->times} times" : ''
            ).(null === $mention->closed ? '' : ", in a closed {$mention->closed->words()}"),
            $mention instanceof RedirectMention => $mention->status->words(),
            $mention instanceof OutsideMention => $mention->what.(null === $mention->via ? '' : ", by way of {$mention->via}"),
            MentionKind::ClosedPlace === $mention->kind => 'while it is closed',
            default => 'its page lists it',
        };
    }

    /** With what it is, where its name alone says too little: "Autumn advertisement (advertisement)". */
    public static function named(Mention $mention): string
    {
        return $mention instanceof OutsideMention ? "{$mention->where} (".self::of($mention).')' : $mention->where;
    }
}
