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

    public function testALongSummaryIsCutShort(): void
    {
        $changes = array_map(static fn (int $n): WaitingChange => new WaitingChange('place', "p$n", "Place $n", [], []), range(1, 7));
        self::assertSame('Place 1 · Place 2 · Place 3 · Place 4 · 3 more', Comparison::summary($changes));
    }
}
