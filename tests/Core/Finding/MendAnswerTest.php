<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Finding;

use Lantern\Core\Finding\MendAnswer;
use Lantern\Core\Finding\MendAsks;
use Lantern\Core\Refused;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class MendAnswerTest extends TestCase
{
    private const PLACE = '01930000-0000-7000-8000-000000000001';

    public function testAPlaceIsNeverTakenForWordsNorWordsForAPlace(): void
    {
        self::assertSame(self::PLACE, MendAnswer::typed(MendAsks::Place, self::PLACE)->placeId());
        self::assertSame(self::PLACE, MendAnswer::typed(MendAsks::Words, self::PLACE)->text());
        $this->expectException(Refused::class);
        MendAnswer::words('Words')->placeId();
    }

    #[TestWith([MendAsks::Place, 'our-story'])]
    #[TestWith([MendAsks::Place, ''])]
    #[TestWith([MendAsks::Words, "  \n "])]
    public function testWhatIsNoAnswerIsRefused(MendAsks $asks, string $typed): void
    {
        $this->expectException(Refused::class);
        MendAnswer::typed($asks, $typed);
    }

    public function testTooManyWordsAreRefusedAndOneLessIsNot(): void
    {
        self::assertSame(str_repeat('ü', 500), MendAnswer::words(' '.str_repeat('ü', 500).' ')->text());
        $this->expectException(Refused::class);
        MendAnswer::words(str_repeat('ü', 501));
    }
}
