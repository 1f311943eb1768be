<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Redirect;

use Lantern\Core\Redirect\RedirectStatus;
use PHPUnit\Framework\TestCase;

final class RedirectStatusTest extends TestCase
{
    /** Two hops as one: for good only if both are, keeping the method only if both do, gone as soon as one is at the end. */
    public function testTwoHopsAsOne(): void
    {
        foreach (RedirectStatus::cases() as $first) {
            foreach (RedirectStatus::cases() as $second) {
                $both = $first->then($second);
                if (RedirectStatus::Gone === $second) {
                    self::assertSame(RedirectStatus::Gone, $both);
                } elseif (RedirectStatus::Gone !== $first) {
                    self::assertSame($first->isForGood() && $second->isForGood(), $both->isForGood(), "$first->value then $second->value");
                    self::assertSame(
                        $first->keepsMethod() && $second->keepsMethod(),
                        $both->keepsMethod(),
                        "$first->value then $second->value",
                    );
                }
            }
        }
    }

    public function testOrderDoesNotMatterForHopsThatLeadOn(): void
    {
        $leading = [
            RedirectStatus::ForGood,
            RedirectStatus::ForNow,
            RedirectStatus::ForGoodKeepingMethod,
            RedirectStatus::ForNowKeepingMethod,
        ];
        foreach ($leading as $a) {
            self::assertSame($a, $a->then($a));
            foreach ($leading as $b) {
                self::assertSame($a->then($b), $b->then($a));
                foreach ($leading as $c) {
                    self::assertSame($a->then($b)->then($c), $a->then($b->then($c)));
                }
            }
        }
    }

    public function testIsSaidInWords(): void
    {
        self::assertSame(
            ['for good (301)', 'for now (302)', 'gone (410)'],
            [RedirectStatus::ForGood->words(), RedirectStatus::ForNow->words(), RedirectStatus::Gone->words()],
        );
    }
}
