<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Impact;

use Lantern\Core\Impact\EntryMention;
use Lantern\Core\Impact\LinkForm;
use Lantern\Core\Impact\Mention;
use Lantern\Core\Impact\MentionKind;
use Lantern\Core\Impact\MentionWords;
use Lantern\Core\Impact\OutsideMention;
use Lantern\Core\Impact\RedirectMention;
use Lantern\Core\Impact\TextMention;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Redirect\RedirectStatus;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MentionWordsTest extends TestCase
{
    #[DataProvider('mentions')]
    public function testSaysWhatAReaderNeedsBesides(Mention $mention, string $words, ?string $named = null): void
    {
        self::assertSame($words, MentionWords::of($mention));
        self::assertSame($named ?? $mention->where, MentionWords::named($mention));
    }

    /** @return iterable<array{0: Mention, 1: string, 2?: string}> */
    public static function mentions(): iterable
    {
        yield [new EntryMention('Header', 'm', 'e', 'Gifts'), '“Gifts”'];
        yield [
            new EntryMention('Header', 'm', 'e', 'Gifts', ['Kits', 'For two'], 'Wrapping'),
            '“Gifts” under Kits › For two, to the part “Wrapping”',
        ];
        yield [new TextMention('Care', 'p'), 'a link'];
        yield [new TextMention('Care', 'p', LinkForm::Typed, 3), 'a typed address, 3 times'];
        yield [new TextMention('Care', 'p', LinkForm::Button, 1, PlaceKind::PageGroup), 'a button, in a closed page group'];
        yield [new TextMention('Care', 'p', LinkForm::Picture), 'a picture'];
        yield [new RedirectMention('/a/*', 'r', RedirectStatus::ForGoodKeepingMethod), 'for good, keeping the method (308)'];
        yield [new Mention(MentionKind::ClosedPlace, 'Old kits'), 'while it is closed'];
        yield [new Mention(MentionKind::List, 'Front page'), 'its page lists it'];
        yield [new OutsideMention('Autumn', 'o', 'advertisement'), 'advertisement', 'Autumn (advertisement)'];
        yield [
            new OutsideMention('Label', 'o', 'printed code', '/old'),
            'printed code, by way of /old',
            'Label (printed code, by way of /old)',
        ];
    }
}
