<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Shop;

use Lantern\Core\Shop\FirstFacts;
use Lantern\Core\Shop\FirstStep;
use PHPUnit\Framework\TestCase;

final class FirstStepTest extends TestCase
{
    public function testTheFirstThatIsNotDoneComesNextInWhateverOrderTheyAreMade(): void
    {
        self::assertSame(FirstStep::Details, FirstStep::next(new FirstFacts(false, 0, 0, false, false)));
        self::assertSame(FirstStep::Details, FirstStep::next(new FirstFacts(false, 6, 1, true, true)));
        self::assertSame(FirstStep::Policies, FirstStep::next(new FirstFacts(true, 0, 1, true, false)));
        self::assertSame(FirstStep::Pages, FirstStep::next(new FirstFacts(true, 6, 0, false, false)));
        self::assertSame(FirstStep::Menu, FirstStep::next(new FirstFacts(true, 6, 1, false, false)));
        self::assertSame(FirstStep::Publish, FirstStep::next(new FirstFacts(true, 6, 1, true, false)));
        self::assertNull(FirstStep::next(new FirstFacts(true, 1, 1, true, true)));
    }

    public function testEachStepDependsOnOneThing(): void
    {
        $none = new FirstFacts(false, 0, 0, false, false);
        foreach ([
            new FirstFacts(true, 0, 0, false, false),
            new FirstFacts(false, 1, 0, false, false),
            new FirstFacts(false, 0, 1, false, false),
            new FirstFacts(false, 0, 0, true, false),
            new FirstFacts(false, 0, 0, false, true),
        ] as $n => $facts) {
            foreach (FirstStep::cases() as $at => $step) {
                self::assertSame($n === $at, $step->isDone($facts));
                self::assertFalse($step->isDone($none));
            }
        }
    }
}
