<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Release;

use Lantern\Core\Release\Comparison;
use Lantern\Core\Release\RowChange;
use Lantern\Core\Release\WaitingChange;
use PHPUnit\Framework\TestCase;

final class ComparisonTest extends TestCase
{
    public function testGroupsRowsByWhatAPersonWouldName(): void
    {
        $entry = ['menu_id' => 'm', 'label' => null, 'place_id' => 'p', 'position' => 0, 'enabled' => true];
        $place = ['title' => 'Care of paper', 'kind' => 'page', 'address' => '/care', 'light' => 'open'];
        $changes = (new Comparison(['m' => 'Header', 'p' => 'Care of paper']))->changes([
            new RowChange('redirect', 'r', null, ['source' => '/care', 'is_prefix' => false, 'goal_place_id' => 'p']),
            new RowChange('words', 'p', ['html' => 'a'], ['html' => 'b']),
            new RowChange('place', 'p', $place, ['address' => '/care-of-paper', 'light' => 'quiet'] + $place),
            new RowChange('entry', 'e1', null, $entry),
            new RowChange('entry', 'e2', ['label' => 'Old'] + $entry, ['label' => 'New', 'enabled' => false] + $entry),
            new RowChange('entry', 'e3', ['label' => 'Sale'] + $entry, null),
        ]);
        self::assertSame([
            ['menu', 'Header', ['“Care of paper” is new.', '“Old” is now called “New”.', '“New” was switched off.', '“Sale” was taken out.']],
            ['place', 'Care of paper', ['The words changed.', 'Address: /care becomes /care-of-paper.', 'Light: Open becomes Quiet.']],
            ['redirect', '/care', ['Visitors are led on to Care of paper.']],
        ], array_map(static fn (WaitingChange $change): array => [$change->kind, $change->name, $change->sentences], $changes));
        self::assertSame('Header · Care of paper · 1 redirect', Comparison::summary($changes));
    }

    public function testTheFrameIsOneThingHoweverManyBaysChange(): void
    {
        $bay = static fn (string $id, ?string $menu): RowChange => new RowChange('bay', $id, ['menu_id' => null], ['menu_id' => $menu]);
        $changes = (new Comparison(['m' => 'Spring fair']))->changes([$bay('header', 'm'), $bay('footer-3', 'm'), new RowChange('setting', 'name', ['value' => 'a'], ['value' => 'b'])]);
        self::assertSame([
            ['where menus hang', ['Header: “Spring fair” hangs here.', 'Footer 3: “Spring fair” hangs here.']],
            ['shop details', ['The shop’s details changed.']],
        ], array_map(static fn (WaitingChange $change): array => [$change->name, $change->sentences], $changes));
    }

    public function testSaysWhatIsDifferentAboutAPlaceInWordsOfTheInterface(): void
    {
        $place = ['title' => 'Chart', 'kind' => 'file', 'parent_id' => 'g', 'serving' => 'shown', 'download_name' => '', 'file' => ['stored' => 'a'], 'closed_answer' => 'not-found', 'closed_to' => null, 'rule' => null, 'summary' => '', 'picture' => null, 'opens_on' => null];
        $said = static fn (array $now): array => (new Comparison([]))->changes([new RowChange('place', 'p', $place, $now + $place)])[0]->sentences;
        self::assertSame(['It stands below no other place.'], $said(['parent_id' => null]));
        self::assertSame(['It stands below another place.'], $said(['parent_id' => 'h']));
        self::assertSame(['Links open it in another way.'], $said(['serving' => 'download', 'download_name' => 'x.pdf']), 'once, however many columns');
        self::assertSame(['It has other content.'], $said(['file' => ['stored' => 'b']]));
        self::assertSame(['While it is closed, its address answers otherwise.'], $said(['closed_answer' => 'elsewhere', 'closed_to' => 'q']));
        self::assertSame(['It comes by its products in another way.'], $said(['rule' => ['by' => 'newest']]));
        self::assertSame(['Its opening has other dates.'], $said(['opens_on' => '2027-01-01']));
        self::assertSame(['Its short description changed.', 'Its picture changed.'], $said(['summary' => 'x', 'picture' => 'y.svg']));
    }

    public function testALongSummaryIsCutShort(): void
    {
        $changes = array_map(static fn (int $n): WaitingChange => new WaitingChange('place', "p$n", "Place $n", [], []), range(1, 7));
        self::assertSame('Place 1 · Place 2 · Place 3 · Place 4 · 3 more', Comparison::summary($changes));
    }
}
