<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Releases;

use Lantern\Core\Release\Comparison;
use Lantern\Core\Release\Difference;
use Lantern\Core\Release\WaitingChange;
use Lantern\Reading\Releases\RowChange;
use PHPUnit\Framework\TestCase;

final class RowChangeTest extends TestCase
{
    public function testGroupsRowsByWhatAPersonWouldName(): void
    {
        $entry = ['menu_id' => 'm', 'label' => null, 'place_id' => 'p', 'position' => 0, 'enabled' => true];
        $place = ['title' => 'Care of paper', 'kind' => 'page', 'address' => '/care', 'light' => 'open'];
        $changes = self::changes(['m' => 'Header', 'p' => 'Care of paper'], [
            new RowChange('redirect', 'r', null, ['source' => '/care', 'is_prefix' => false, 'goal_place_id' => 'p']),
            new RowChange('words', 'p', ['html' => 'a'], ['html' => 'b']),
            new RowChange('place', 'p', $place, ['address' => '/care-of-paper', 'light' => 'quiet'] + $place),
            new RowChange('entry', 'e1', null, $entry),
            new RowChange('entry', 'e2', ['label' => 'Old'] + $entry, ['label' => 'New', 'enabled' => false] + $entry),
            new RowChange('entry', 'e3', ['label' => 'Sale'] + $entry, null),
        ]);
        self::assertSame([
            [
                'menu',
                'Header',
                ['“Care of paper” is new.', '“Old” is now called “New”.', '“New” was switched off.', '“Sale” was taken out.'],
            ],
            ['place', 'Care of paper', ['The words changed.', 'Address: /care becomes /care-of-paper.', 'Light: Open becomes Quiet.']],
            ['redirect', '/care', ['Visitors are led on to Care of paper.']],
        ], array_map(static fn (WaitingChange $change): array => [$change->subject->value, $change->name, $change->sentences], $changes));
        self::assertSame('Header · Care of paper · 1 redirect', Comparison::summary($changes));
    }

    public function testTheFrameIsOneThingHoweverManyBaysChange(): void
    {
        $bay = static fn (string $id, ?string $menu): RowChange => new RowChange('bay', $id, ['menu_id' => null], ['menu_id' => $menu]);
        $changes = self::changes(
            ['m' => 'Spring fair'],
            [$bay('header', 'm'), $bay('footer-3', 'm'), new RowChange('setting', 'name', ['value' => 'a'], ['value' => 'b'])],
        );
        self::assertSame([
            ['where menus hang', ['Header: “Spring fair” hangs here.', 'Footer 3: “Spring fair” hangs here.']],
            ['shop details', ['Name of the shop: “b”.']],
        ], array_map(static fn (WaitingChange $change): array => [$change->name, $change->sentences], $changes));
    }

    public function testSaysWhatIsDifferentAboutAPlaceInWordsOfTheInterface(): void
    {
        $place = [
            'title' => 'Chart',
            'kind' => 'file',
            'parent_id' => 'g',
            'serving' => 'shown',
            'download_name' => '',
            'file' => ['stored' => 'a'],
            'closed_answer' => 'not-found',
            'closed_to' => null,
            'rule' => null,
            'summary' => '',
            'picture' => null,
            'opens_on' => null,
        ];
        $said = static fn (array $now): array => self::changes([], [new RowChange('place', 'p', $place, $now + $place)])[0]->sentences;
        self::assertSame(['It stands below no other place.'], $said(['parent_id' => null]));
        self::assertSame(['It stands below another place.'], $said(['parent_id' => 'h']));
        self::assertSame(
            ['Links open it in another way.'],
            $said(['serving' => 'download', 'download_name' => 'x.pdf']),
            'once, however many columns',
        );
        self::assertSame(['It has other content.'], $said(['file' => ['stored' => 'b']]));
        self::assertSame(
            ['While it is closed, its address answers otherwise.'],
            $said(['closed_answer' => 'elsewhere', 'closed_to' => 'q']),
        );
        self::assertSame(['It comes by its products in another way.'], $said(['rule' => ['by' => 'newest']]));
        self::assertSame(['Its opening has other dates.'], $said(['opens_on' => '2027-01-01']));
        self::assertSame(['Its short description changed.', 'Its picture changed.'], $said(['summary' => 'x', 'picture' => 'y.svg']));
    }

    /**
     * @param array<string, string> $names
     * @param list<RowChange>       $rows
     *
     * @return list<WaitingChange>
     */
    private static function changes(array $names, array $rows): array
    {
        return Comparison::changes(array_map(static fn (RowChange $row): Difference => $row->difference($names), $rows));
    }
}
