<?php

declare(strict_types=1);

namespace Lantern\Tests\Demo;

use Lantern\Demo\DemoShop;
use Lantern\Demo\Pictures;
use Lantern\Demo\PlainPdf;
use PHPUnit\Framework\TestCase;

final class DemoShopTest extends TestCase
{
    public function testIsLargeEnoughToShowEveryRule(): void
    {
        $shop = DemoShop::made(new \DateTimeImmutable('2026-03-01'));
        $kinds = array_count_values(array_map(
            static fn (array $place): string => \is_string($place['kind']) ? $place['kind'] : '',
            $shop->rows()['place'],
        ));
        self::assertSame(25, $kinds['category']);
        self::assertSame(10, $kinds['collection']);
        self::assertSame(140, $kinds['product']);
        self::assertSame([14, 3, 6, 12, 6], [$kinds['page'], $kinds['page-group'], $kinds['policy'], $kinds['article'], $kinds['file']]);
        self::assertSame(
            ['menu' => 4, 'page' => 1, 'panel' => 3, 'column' => 2],
            array_count_values(array_filter(array_column($shop->rows()['menu'], 'kind'), \is_string(...))),
        );
        self::assertCount(31, $shop->rows()['redirect']);
        self::assertCount(8, $shop->rows()['journal.outside_mention']);
        self::assertCount(60, array_unique(array_filter(array_column($shop->rows()['journal.visit'], 'day'), \is_string(...))));
    }

    public function testIsTheSameOnEveryStart(): void
    {
        $day = new \DateTimeImmutable('2026-03-01');
        self::assertEquals(DemoShop::made($day)->rows(), DemoShop::made($day)->rows());
    }

    public function testItsPicturesAreWellFormedAndDiffer(): void
    {
        $drawn = [];
        foreach (DemoShop::made(new \DateTimeImmutable('2026-03-01'))->pictures() as $name => $words) {
            $picture = Pictures::draw($name, $words);
            self::assertNotFalse(simplexml_load_string($picture), $name);
            self::assertSame($picture, Pictures::draw($name, $words));
            $drawn[] = $picture;
        }
        self::assertGreaterThan(120, \count(array_unique($drawn)));
    }

    public function testItsLeafletsArePdf(): void
    {
        $pdf = PlainPdf::of(['Heading (with brackets)', 'A line']);
        self::assertStringStartsWith('%PDF-1.4', $pdf);
        preg_match('/startxref\n(\d+)\n%%EOF/', $pdf, $found);
        self::assertStringStartsWith('xref', substr($pdf, (int) ($found[1] ?? 0)));
        self::assertStringContainsString('(Heading \(with brackets\)) Tj', $pdf);
    }
}
