<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Finding;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Finding\Finding;
use Lantern\Core\Finding\FindingKind;
use Lantern\Core\Finding\LinkMend;
use Lantern\Core\Finding\MendAnswer;
use Lantern\Core\Finding\MendKind;
use Lantern\Core\Finding\Subject;
use Lantern\Core\Finding\SubjectType;
use Lantern\Core\Words\Words;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class LinkMendTest extends TestCase
{
    use TestTrait;

    private const ONE = '019344a0-1c00-7000-8000-000000000001';
    private const OTHER = '019344a0-1c00-7000-8000-000000000002';

    #[TestWith([FindingKind::LinkNowhere, MendKind::LeadElsewhere, '<a href="place:'.self::OTHER.'">old</a>'])]
    #[TestWith([FindingKind::LinkNowhere, MendKind::TakeOut, 'old'])]
    #[TestWith([FindingKind::LinkTyped, MendKind::Refer, '<a href="place:'.self::ONE.'#part">old</a>'])]
    public function testATypedLink(FindingKind $kind, MendKind $mend, string $becomes): void
    {
        $finding = self::finding($kind, ['typed' => '/old', 'place' => self::ONE]);
        $words = new Words('<p><a href="/old#part">old</a> <a href="/older">older</a> <a href="/old?x=1">with a query</a></p>');
        self::assertSame(
            '<p>'.$becomes.' <a href="/older">older</a> <a href="/old?x=1">with a query</a></p>',
            (new LinkMend($finding, $mend, MendAnswer::place(self::OTHER)))->of($words)->html,
        );
    }

    public function testAButtonStaysOne(): void
    {
        $finding = self::finding(FindingKind::LinkClosed, ['asked' => self::ONE]);
        self::assertSame(
            '<p><a class="button" href="place:'.self::OTHER.'">Go</a></p>',
            (new LinkMend(
                $finding,
                MendKind::LeadElsewhere,
                MendAnswer::place(self::OTHER),
            ))->of(new Words('<p><a class="button" href="place:'.self::ONE.'">Go</a></p>'))->html,
        );
    }

    public function testAPartIsFoundAgainOrLeft(): void
    {
        $finding = self::finding(FindingKind::PartMissing, ['place' => self::ONE, 'part' => 'folds', 'nearest' => 'fold']);
        $words = new Words('<p><a href="place:'.self::ONE.'#folds">a</a><a href="place:'.self::ONE.'#other">b</a></p>');
        self::assertSame(
            '<p><a href="place:'.self::ONE.'#fold">a</a><a href="place:'.self::ONE.'#other">b</a></p>',
            (new LinkMend($finding, MendKind::NearestPart, MendAnswer::nothing()))->of($words)->html,
        );
        self::assertSame(
            '<p><a href="place:'.self::ONE.'">a</a><a href="place:'.self::ONE.'#other">b</a></p>',
            (new LinkMend($finding, MendKind::WholePage, MendAnswer::nothing()))->of($words)->html,
        );
    }

    public function testAnOutsideAddressIsTakenAsItIs(): void
    {
        $finding = self::finding(
            FindingKind::OutsideMoved,
            ['url' => 'http://there.example/a?b=1&c=2', 'new' => 'https://there.example/new?d=$1&e="'],
        );
        self::assertSame(
            '<p><a href="https://there.example/new?d=$1&amp;e=&quot;">x</a></p>',
            (new LinkMend(
                $finding,
                MendKind::NewAddress,
                MendAnswer::nothing(),
            ))->of(new Words('<p><a href="http://there.example/a?b=1&amp;c=2">x</a></p>'))->html,
        );
    }

    public function testAPictureGetsWordsOrGoes(): void
    {
        $words = new Words('<p><img src="place:'.self::ONE.'" alt="" /><img src="place:'.self::OTHER.'" alt="" /></p>');
        $silent = self::finding(FindingKind::PictureWithoutWords, ['place' => self::ONE]);
        self::assertSame(
            '<p><img src="place:'.self::ONE.'" alt="A &quot;press&quot; &amp; more" /><img src="place:'.self::OTHER.'" alt="" /></p>',
            (new LinkMend($silent, MendKind::Write, MendAnswer::words('A "press" & more')))->of($words)->html,
        );
        $gone = self::finding(FindingKind::PictureGone, ['asked' => self::ONE]);
        self::assertSame(
            '<p><img src="place:'.self::OTHER.'" alt="" /></p>',
            (new LinkMend($gone, MendKind::TakeOut, MendAnswer::nothing()))->of($words)->html,
        );
        self::assertSame(
            '<p><video src="place:'.self::OTHER.'" aria-label="x"></video></p>',
            (new LinkMend(
                $gone,
                MendKind::TakeOut,
                MendAnswer::nothing(),
            ))->of(new Words('<p><video src="place:'.self::OTHER.'" poster="place:'.self::ONE.'" aria-label="x"></video></p>'))->html,
        );
    }

    /** Whoever changes no link changes nothing. */
    public function testWordsWithoutSuchALinkStayAsTheyAre(): void
    {
        $pieces = [
            '<p>',
            '</p>',
            'words &amp; more',
            '<a href="/a">b</a>',
            '<a class="button" href="place:'.self::ONE.'#x">c</a>',
            '<img src="place:'.self::ONE.'" alt="d" />',
            '<video src="place:'.self::ONE.'" poster="place:'.self::OTHER.'" aria-label="e"></video>',
            '<a href="mailto:f@g.example">h</a>',
            '<a href="https://i.example/?j=1&amp;k=2">l</a>',
            '<span data-blank="shop"></span>',
            '<h2 id="m">n</h2>',
        ];
        $this->forAll(Generators::seq(Generators::elements($pieces)))->then(static function (array $some): void {
            $html = implode('', array_filter($some, \is_string(...)));
            self::assertSame(
                $html,
                (new LinkMend(
                    self::finding(FindingKind::LinkNowhere, ['typed' => '/elsewhere']),
                    MendKind::TakeOut,
                    MendAnswer::nothing(),
                ))->of(new Words($html))->html,
            );
            self::assertSame(
                substr_count($html, 'href="/') + substr_count($html, 'place:') + substr_count($html, 'https:'),
                \count((new Words($html))->links()),
            );
        });
    }

    /** @param array<string, string> $details */
    private static function finding(FindingKind $kind, array $details): Finding
    {
        return new Finding($kind, new Subject(SubjectType::Text, self::ONE, 'A text'), $details);
    }
}
