<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Finding;

use Lantern\Core\Finding\FindingKind;
use Lantern\Core\Finding\OutsideAnswer;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class OutsideAnswerTest extends TestCase
{
    #[TestWith([new OutsideAnswer(200), null])]
    #[TestWith([new OutsideAnswer(404), FindingKind::OutsideBroken])]
    #[TestWith([new OutsideAnswer(410), FindingKind::OutsideBroken])]
    #[TestWith([new OutsideAnswer(0, daysAway: 2), null])]
    #[TestWith([new OutsideAnswer(0, daysAway: 3), FindingKind::OutsideBroken])]
    #[TestWith([new OutsideAnswer(502, daysAway: 1), null])]
    #[TestWith([new OutsideAnswer(502, daysAway: 3), FindingKind::OutsideBroken])]
    #[TestWith([new OutsideAnswer(200, 'https://there.example/'), FindingKind::OutsideMoved])]
    #[TestWith([new OutsideAnswer(404, 'https://there.example/'), FindingKind::OutsideBroken])]
    #[TestWith([new OutsideAnswer(200, secure: true), FindingKind::OutsideSecure])]
    public function testWhatIsWrong(OutsideAnswer $answer, ?FindingKind $kind): void
    {
        self::assertSame($kind, $answer->kind());
    }

    public function testItSaysWhatHappened(): void
    {
        self::assertSame('was not to be reached on 4 days: it refuses', (new OutsideAnswer(0, daysAway: 4, why: 'it refuses'))->words());
        self::assertSame('has answered with an error (503) on 3 days', (new OutsideAnswer(503, daysAway: 3))->words());
    }
}
