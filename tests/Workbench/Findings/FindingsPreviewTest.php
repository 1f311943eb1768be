<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Findings;

use Lantern\Core\Impact\Touch;
use Lantern\Core\Impact\TouchWords;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Revision;
use Lantern\Core\Refused;
use Lantern\Demo\DemoId;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Findings\FindingsPreview;
use Lantern\Workbench\Places\PlaceEditor;

final class FindingsPreviewTest extends ShopTestCase
{
    public function testWhatAChangeWouldBreakAndMendIsTold(): void
    {
        $close = fn (
            string $key,
            Light $light,
        ): array => $this->service(FindingsPreview::class)->of(fn () => $this->service(PlaceEditor::class)->reviseWithin(
            DemoId::of($key),
            null,
            new Revision(light: $light),
            $this->actor(),
        ));
        $before = $this->value('SELECT count(*) FROM journal.finding');
        $closed = $close('categories/silk', Light::Closed);
        self::assertSame([true, false], array_map(static fn (Touch $one): bool => $one->breaks, \array_slice($closed, 0, 2)));
        self::assertStringContainsString(
            'Forty colours of silk: “pine” leads to “Silk for headbands”, which is closed.',
            TouchWords::of($closed[0]),
        );
        self::assertStringStartsWith(
            'It mends one finding. Three days in October',
            TouchWords::of($close('pages/autumn-workshop', Light::Open)[0]),
        );
        self::assertSame(
            [$before, 'open'],
            [
                $this->value('SELECT count(*) FROM journal.finding'),
                $this->value('SELECT light FROM place WHERE id = ?', DemoId::of('categories/silk')),
            ],
            'nothing was changed',
        );
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.due'));
    }

    public function testAChangeThatCannotBeMadeTouchesNothing(): void
    {
        self::assertSame([], $this->service(FindingsPreview::class)->of(static fn () => throw new Refused('light', 'No.')));
    }
}
