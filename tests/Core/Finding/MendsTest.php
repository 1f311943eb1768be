<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Finding;

use Lantern\Core\Finding\Finding;
use Lantern\Core\Finding\FindingKind;
use Lantern\Core\Finding\FindingWords;
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
            $finding = new Finding($kind, new Subject(SubjectType::Entry, 'e', 'Papers', 'm', '“Header”'), ['link' => '“Papers”', 'to' => 'Papers', 'is' => 'is closed', 'says' => 'Too pale.']);
            $headings[] = $kind->words();
            self::assertMatchesRegularExpression('/^\S.*[.”]$/us', FindingWords::of($finding), $kind->value);
            self::assertNotSame([], Mends::of($finding));
            foreach (Mends::of($finding) as $mend) {
                self::assertSame($mend->says, Mends::one($finding, $mend->kind)?->says);
            }
        }
        self::assertSame($headings, array_unique($headings));
    }

    public function testAFindingIsTheSameForAsLongAsItIsAboutTheSame(): void
    {
        $subject = new Subject(SubjectType::Text, 'p', 'A text');
        $one = new Finding(FindingKind::LinkNowhere, $subject, ['link' => '“a”'], ['/p'], '/gone');
        self::assertSame($one->id, (new Finding(FindingKind::LinkNowhere, new Subject(SubjectType::Text, 'p', 'Another title'), ['link' => '“b”'], [], '/gone'))->id);
        self::assertNotSame($one->id, (new Finding(FindingKind::LinkNowhere, $subject, [], [], '/gone-too'))->id);
        self::assertSame([$one->id, 3], [$one->again()->again()->id, $one->again()->again()->times()]);
    }

    public function testOpeningIsOfferedOnlyWhereThereIsSomethingToOpen(): void
    {
        $kinds = static fn (string $place): array => array_map(static fn ($one): MendKind => $one->kind, Mends::of(new Finding(FindingKind::RedirectNowhere, new Subject(SubjectType::Redirect, 'r', '/r'), ['place' => $place])));
        self::assertContains(MendKind::OpenPlace, $kinds('p'));
        self::assertNotContains(MendKind::OpenPlace, $kinds(''));
    }
}
