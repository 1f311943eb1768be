<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Finding;

use Lantern\Core\Finding\Finding;
use Lantern\Core\Finding\FindingKind;
use Lantern\Core\Finding\FindingWords;
use Lantern\Core\Finding\Mend;
use Lantern\Core\Finding\MendKind;
use Lantern\Core\Finding\Mends;
use Lantern\Core\Finding\Subject;
use Lantern\Core\Finding\SubjectType;
use PHPUnit\Framework\TestCase;

final class MendsTest extends TestCase
{
    public function testEveryKindHasAHeadingASentenceAndAMend(): void
    {
        $headings = [];
        foreach (FindingKind::cases() as $kind) {
            $finding = new Finding(
                $kind,
                new Subject(SubjectType::Entry, 'e', 'Papers', 'm', '“Header”'),
                ['link' => '“Papers”', 'to' => 'Papers', 'is' => 'is closed', 'says' => 'Too pale.'],
            );
            $headings[] = $kind->words();
            self::assertMatchesRegularExpression('/^\S.*[.”]$/us', FindingWords::of($finding), $kind->value);
            self::assertNotSame([], Mends::of($finding));
            foreach (Mends::of($finding) as $mend) {
                self::assertSame($mend->says, Mends::one($finding, $mend->kind)?->says);
            }
        }
        self::assertSame($headings, array_unique($headings));
    }

    public function testWhatIsMadeForManyAtOnceNamesNoneOfThem(): void
    {
        $text = new Subject(SubjectType::Text, 'p', 'A text');
        $together = static fn (FindingKind $kind, array $details = []): array => array_map(
            static fn (Mend $mend): ?string => $mend->together(),
            Mends::of(new Finding($kind, $text, $details + ['to' => 'Papers', 'place' => 'x'])),
        );
        self::assertSame(['Make it a reference'], $together(FindingKind::LinkOverRedirect));
        self::assertSame(['Lead each straight to its end'], $together(FindingKind::RedirectChain));
        self::assertSame([null, null], $together(FindingKind::MentionBroken), 'each is led somewhere else, or opens another place');
        self::assertSame([null, 'Lead to the whole page'], $together(FindingKind::PartMissing, ['nearest' => 'part', 'heading' => 'Part']));
        self::assertSame(['Take the nearest colours that are read', null], $together(FindingKind::Pale, ['colour' => '#aabbcc']));
    }

    public function testAPlaceThatIsGoneIsToldFromOneThatIsCalledSo(): void
    {
        $says = static fn (
            FindingKind $kind,
            string $to,
        ): string => FindingWords::of(new Finding(
            $kind,
            new Subject(SubjectType::Text, 'p', 'A text'),
            ['link' => '“here”', 'to' => $to, 'is' => 'is no longer there', 'other' => 'Papers'],
        ));
        self::assertSame('“here” leads to a place, which is no longer there.', $says(FindingKind::LinkClosed, ''));
        self::assertSame('“here” leads to “A place”, which is no longer there.', $says(FindingKind::LinkClosed, 'A place'));
        self::assertSame('“here” is not shown: a place is no longer there.', $says(FindingKind::PictureGone, ''));
        self::assertSame('A place stands in this menu already, as “Papers”.', $says(FindingKind::PlaceTwice, ''));
    }

    public function testAFindingIsTheSameForAsLongAsItIsAboutTheSame(): void
    {
        $subject = new Subject(SubjectType::Text, 'p', 'A text');
        $one = new Finding(FindingKind::LinkNowhere, $subject, ['link' => '“a”'], ['/p'], '/gone');
        self::assertSame(
            $one->id,
            (new Finding(
                FindingKind::LinkNowhere,
                new Subject(SubjectType::Text, 'p', 'Another title'),
                ['link' => '“b”'],
                [],
                '/gone',
            ))->id,
        );
        self::assertNotSame($one->id, (new Finding(FindingKind::LinkNowhere, $subject, [], [], '/gone-too'))->id);
        self::assertSame([$one->id, 3], [$one->again()->again()->id, $one->again()->again()->times()]);
    }

    public function testOpeningIsOfferedOnlyWhereThereIsSomethingToOpen(): void
    {
        $kinds = static fn (string $place): array => array_map(
            static fn ($one): MendKind => $one->kind,
            Mends::of(new Finding(FindingKind::RedirectNowhere, new Subject(SubjectType::Redirect, 'r', '/r'), ['place' => $place])),
        );
        self::assertContains(MendKind::OpenPlace, $kinds('p'));
        self::assertNotContains(MendKind::OpenPlace, $kinds(''));
    }
}
