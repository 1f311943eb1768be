<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** What can differ about an entry, each by itself: two people may change two of them without a quarrel. */
enum EntryPart
{
    case Target;
    case Label;
    case Enabled;
    case Audience;
    case Opening;
    case NewTab;
    case Note;
    case Filling;
    case Content;

    public function isSame(Entry $one, Entry $other): bool
    {
        return match ($this) {
            self::Target => $one->target->equals($other->target),
            self::Label => $one->label === $other->label,
            self::Enabled => $one->enabled === $other->enabled,
            self::Audience => $one->audience === $other->audience,
            self::Opening => $one->opening->equals($other->opening),
            self::NewTab => $one->newTab === $other->newTab,
            self::Note => $one->note === $other->note,
            self::Filling => null === $one->filling || null === $other->filling
                ? $one->filling === $other->filling
                : $one->filling->equals($other->filling),
            self::Content => null === $one->content || null === $other->content
                ? $one->content === $other->content
                : $one->content->equals($other->content),
        };
    }

    /**
     * An entry whose every part is taken from one of several.
     *
     * @param \Closure(self): Entry $from which of them has the say in a part
     *
     * @throws \Lantern\Core\Refused where the parts do not go together
     */
    public static function together(string $id, \Closure $from): Entry
    {
        return new Entry(
            $id,
            $from(self::Target)->target,
            $from(self::Label)->label,
            [],
            $from(self::Enabled)->enabled,
            $from(self::Audience)->audience,
            $from(self::Opening)->opening,
            $from(self::NewTab)->newTab,
            $from(self::Note)->note,
            $from(self::Filling)->filling,
            $from(self::Content)->content,
        );
    }
}
