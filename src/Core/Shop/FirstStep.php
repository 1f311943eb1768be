<?php

declare(strict_types=1);

namespace Lantern\Core\Shop;

/** What a new shop needs before visitors come, in the order in which it is best done. */
enum FirstStep: string
{
    case Details = 'details';
    case Policies = 'policies';
    case Pages = 'pages';
    case Menu = 'menu';
    case Publish = 'publish';

    public function words(): string
    {
        return match ($this) {
            self::Details => 'Say who the shop is',
            self::Policies => 'Write the policies',
            self::Pages => 'Write a first page',
            self::Menu => 'Hang a menu in the header',
            self::Publish => 'Publish',
        };
    }

    public function says(): string
    {
        return match ($this) {
            self::Details => 'Its company, mail address and street fill the blanks of the policies, and stand in the footer.',
            self::Policies => 'Six texts to begin with, whose blanks are filled. Read each one through: you answer for it.',
            self::Pages => 'Who you are, how you work, where you are found: whatever visitors ask for first.',
            self::Menu => 'What visitors see on every page. Make it from what is there, or paste a list.',
            self::Publish => 'Until then visitors see an empty shop.',
        };
    }

    /**
     * @param FirstFacts $facts how far the shop has come
     */
    public function isDone(FirstFacts $facts): bool
    {
        return match ($this) {
            self::Details => $facts->saysWhoItIs,
            self::Policies => $facts->policies > 0,
            self::Pages => $facts->writtenPages > 0,
            self::Menu => $facts->headerHasEntries,
            self::Publish => $facts->liveHeaderHasEntries,
        };
    }

    /** The first that is not done; null: all are. */
    public static function next(FirstFacts $facts): ?self
    {
        foreach (self::cases() as $step) {
            if (!$step->isDone($facts)) {
                return $step;
            }
        }

        return null;
    }
}
