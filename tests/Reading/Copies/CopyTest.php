<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Copies;

use Lantern\Core\Address\Address;
use Lantern\Core\Menu\HungMenu;
use Lantern\Core\Person\Actor;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\RuleTable;
use Lantern\Core\Visitor;
use Lantern\Demo\DemoId;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Frame\Frame;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Publishing\Publisher;

final class CopyTest extends ShopTestCase
{
    /** The rules in the database are found as the core finds them in memory: exact, longest prefix, in force. */
    public function testRulesAreFoundAsTheCoreFindsThem(): void
    {
        $now = new \DateTimeImmutable('2026-03-01T12:00:00Z');
        $table = new RuleTable();
        $n = 0;
        foreach (['/a', '/a/b', '/a/b/c', '/a_b', '/ab', '/café', '/a%2Fb'] as $source) {
            foreach ([false, true] as $prefix) {
                $until = [null, $now->modify('+1 hour'), $now][$n % 3];
                $rule = new Rule(
                    DemoId::of('rule '.++$n),
                    Address::parse($source),
                    $prefix,
                    Goal::address(Address::parse("/goal-$n"), 'q=1'),
                    RedirectStatus::ForNow,
                    $until,
                );
                $table->add($rule);
                $this->workbench()->insert(
                    'redirect',
                    [
                        'id' => $rule->id,
                        'source' => $source,
                        'is_prefix' => $prefix ? 'true' : 'false',
                        'goal_address' => "/goal-$n",
                        'goal_query' => 'q=1',
                        'status' => 302,
                        'until' => $until?->format(\DATE_ATOM),
                    ],
                );
            }
        }
        $stored = $this->service(Copies::class)->workbench->rules;
        foreach ([
            '/a',
            '/a/b',
            '/a/b/c',
            '/a/b/c/d',
            '/a/x',
            '/a_b/x',
            '/axb/x',
            '/ab',
            '/ab/c',
            '/café/au-lait',
            '/a%2Fb/c',
            '/other',
            '/',
        ] as $asked) {
            $address = Address::parse($asked);
            self::assertEquals($table->exact($address, $now), $stored->exact($address, $now), "exactly $asked");
            self::assertEquals($table->longestPrefix($address, $now), $stored->longestPrefix($address, $now), "above $asked");
        }
    }

    public function testWhatVisitorsGetFollowsReleasesAndDates(): void
    {
        $frame = $this->service(Frame::class);
        $live = $this->service(Copies::class)->live;
        $now = new \DateTimeImmutable();
        $labels = static fn (array $hung): array => array_map(
            static fn ($entry): string => $entry->label,
            $hung['header'] instanceof HungMenu ? $hung['header']->menu->entries : [],
        );
        self::assertContains('Tools', $labels($frame->kept($live, Visitor::guest($now))));
        $this->workbench()->executeStatement("UPDATE entry SET label = 'Hand tools' WHERE place_id = ?", [DemoId::of('categories/tools')]);
        self::assertContains('Tools', $labels($frame->kept($live, Visitor::guest($now))), 'nothing of the workbench shows');
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        self::assertContains('Hand tools', $labels($frame->kept($live, Visitor::guest($now))));
        $this->workbench()->executeStatement("UPDATE entry SET audience = 'customers' WHERE label = 'Hand tools'");
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        self::assertNotContains('Hand tools', $labels($frame->kept($live, Visitor::guest($now))));
        self::assertContains('Hand tools', $labels($frame->kept($live, Visitor::customer($now))), 'guests and customers are kept apart');
    }

    public function testWhatStandsAboveAPlaceIsReadInOneQuery(): void
    {
        $places = $this->service(Copies::class)->workbench->places;
        $combed = $places->at(Address::parse('/papers/marbled/combed'));
        self::assertNotNull($combed);
        self::assertSame(['Marbled papers', 'Papers'], array_map(static fn ($place): string => $place->title, $places->above($combed)));
        // A circle made by hand does not keep a page from ending.
        $this->workbench()->executeStatement("UPDATE place SET parent_id = ? WHERE address = '/papers'", [$combed->id]);
        self::assertLessThanOrEqual(20, \count($places->above($combed)));
    }

    public function testTheTwoConnectionsSeeOneCopyEach(): void
    {
        $this->workbench()->executeStatement("UPDATE place SET title = 'Sheets' WHERE address = '/papers'");
        $copies = $this->service(Copies::class);
        self::assertSame('Sheets', $copies->workbench->places->at(Address::parse('/papers'))?->title);
        self::assertSame('Papers', $copies->live->places->at(Address::parse('/papers'))?->title);
    }
}
