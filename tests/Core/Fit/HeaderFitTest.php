<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Fit;

use Lantern\Core\Fit\Face;
use Lantern\Core\Fit\HeaderFit;
use Lantern\Core\Looks\Looks;
use Lantern\Core\Looks\Typeface;
use Lantern\Core\Menu\ResolvedEntry;
use PHPUnit\Framework\TestCase;

final class HeaderFitTest extends TestCase
{
    public function testAWidthGrowsWithTheLettersAndTheSize(): void
    {
        $face = Face::text(Typeface::Karla);
        self::assertEqualsWithDelta($face->width('Mar', 17) + $face->width('bled', 17), $face->width('Marbled', 17), 0.001);
        self::assertEqualsWithDelta(2 * $face->width('Marbled', 17), $face->width('Marbled', 34), 0.001);
        self::assertGreaterThan($face->width('iii', 17), $face->width('www', 17));
        self::assertSame(0.0, $face->width('', 17));
        self::assertGreaterThanOrEqual($face->width('W', 17), $face->width('漢', 17), 'what the font does not have counts as wide');
    }

    public function testAShortHeaderFitsEverywhere(): void
    {
        $fit = $this->fit($this->entry('Papers'), $this->entry('Tools'));
        self::assertTrue($fit->ever);
        self::assertSame('', $fit->words());
        self::assertLessThan(HeaderFit::DRAWER_BELOW, $fit->needs);
    }

    public function testAHeaderThatBreaksSaysWhereAndWhichLabelIsToBlame(): void
    {
        $fit = $this->fit(...array_map(
            $this->entry(...),
            ['Papers', 'Boards and cloth for covers', 'Threads', 'Tools', 'Kits', 'Journal'],
        ));
        self::assertTrue($fit->ever);
        self::assertSame('Boards and cloth for covers', $fit->widest);
        self::assertGreaterThan(HeaderFit::DRAWER_BELOW, $fit->needs);
        self::assertSame($fit->needs + 17, $fit->drawerBelow(), 'a scroll bar is no room');
        self::assertStringContainsString("narrower than {$fit->drawerBelow()} px the phone’s drawer", $fit->words());
        self::assertSame('', $fit->words($fit->needs), 'taken over sooner, nothing takes two lines');
        self::assertStringContainsString("from 700 to {$fit->needs} px the header’s first level takes two lines", $fit->words(700));
        $wider = $this->fit(...array_map(
            $this->entry(...),
            ['Papers', 'Boards and cloth for covers', 'Threads', 'Tools', 'Kits', 'Journal', 'About'],
        ));
        self::assertGreaterThan($fit->needs, $wider->needs);
    }

    public function testAHeaderCanBeTooLongForAnyWindow(): void
    {
        $fit = $this->fit(...array_map($this->entry(...), array_fill(0, 8, 'Boards and cloth for covers')));
        self::assertFalse($fit->ever);
        self::assertStringContainsString('in every window', $fit->words());
        self::assertStringContainsString('in every window', $fit->words(2000));
        self::assertSame(HeaderFit::DRAWER_BELOW, $fit->drawerBelow(), 'on a desk it stands in two lines rather than nowhere');
    }

    public function testWhatHasADropdownTakesMoreRoom(): void
    {
        self::assertSame(
            $this->fit($this->entry('Papers'))->needs + 26,
            $this->fit($this->entry('Papers', $this->entry('Marbled')))->needs,
        );
    }

    public function testLabelsThatTakeTwoLinesInADropdownAreNamed(): void
    {
        $long = 'Everything that a bookbinder in the valley could wish for';
        $fit = $this->fit($this->entry('Papers', $this->entry('Marbled', $this->entry($long)), $this->entry($long.' too')));
        self::assertSame([$long, $long.' too'], $fit->wraps);
        self::assertStringContainsString('2 labels take two lines', $fit->words());
    }

    private function entry(string $label, ResolvedEntry ...$children): ResolvedEntry
    {
        return new ResolvedEntry($label, $label, '/x', null, false, array_values($children));
    }

    private function fit(ResolvedEntry ...$entries): HeaderFit
    {
        return HeaderFit::of('Tansy & Rook', 'Your account', array_values($entries), [], Looks::of());
    }
}
