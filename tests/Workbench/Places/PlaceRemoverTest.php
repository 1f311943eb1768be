<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Places;

use Lantern\Core\Answer\Answerer;
use Lantern\Core\Impact\Relative;
use Lantern\Core\Impact\TouchWords;
use Lantern\Core\Impact\VisitorForwarding;
use Lantern\Core\Person\Actor;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\PlaceParent;
use Lantern\Core\Stale;
use Lantern\Core\Visitor;
use Lantern\Demo\DemoId;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Relatives\RelativeReader;
use Lantern\Reading\Releases\ReleaseReader;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Places\PlaceMaker;
use Lantern\Workbench\Places\PlaceRemover;
use Lantern\Workbench\Publishing\Publisher;

final class PlaceRemoverTest extends ShopTestCase
{
    public function testEverythingThatLedThereLeadsOnAndComesBackAsOne(): void
    {
        $marbled = DemoId::of('categories/marbled');
        $papers = DemoId::of('categories/papers');
        $this->workbench()->executeStatement(
            'UPDATE words SET html = ? WHERE id = ?',
            [
                "<p><a href=\"place:$marbled#a\">one</a> and <a class=\"button\" href=\"/papers/marbled\">two</a></p>",
                DemoId::of('pages/makers'),
            ],
        );
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE place SET light = 'closed', closed_answer = 'elsewhere', closed_to = ? WHERE id = ?
            SQL, [$marbled, DemoId::of('categories/calendar-kits')]);
        $before = $this->state();
        $said = implode(
            ' ',
            array_map(TouchWords::of(...), $this->remover()->plan($marbled, VisitorForwarding::to($this->place($papers)))->touches),
        );
        self::assertStringContainsString('/papers/marbled leads to “Papers” for good (301); it had ', $said);
        self::assertStringContainsString('Header loses “Marbled', $said);
        self::assertStringContainsString('below it keep their addresses', $said);
        self::assertSame($before, $this->state(), 'a plan does nothing');

        $edit = $this->remover()->remove($marbled, $this->version($marbled), VisitorForwarding::to($this->place($papers)), $this->actor());
        self::assertSame(
            "<p><a href=\"place:$papers\">one</a> and <a class=\"button\" href=\"place:$papers\">two</a></p>",
            $this->value('SELECT html FROM words WHERE id = ?', DemoId::of('pages/makers')),
        );
        self::assertSame($papers, $this->value('SELECT closed_to FROM place WHERE id = ?', DemoId::of('categories/calendar-kits')));
        self::assertSame($papers, $this->value("SELECT parent_id FROM place WHERE address = '/papers/marbled/combed'"));
        self::assertSame('heading|Marbled papers', $this->value(<<<'SQL'
            SELECT target_kind || '|' || label FROM entry e WHERE e.piece IS NULL
            AND EXISTS (SELECT FROM entry c WHERE c.parent_id = e.id AND c.place_id = ?)
            SQL, DemoId::of('categories/combed')), 'children keep a heading');
        self::assertSame('0', $this->value('SELECT count(*) FROM entry WHERE place_id = ?', $marbled));
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        foreach (['/papers/marbled', '/marbled-papers', '/paper-marbling'] as $old) {
            self::assertSame('301 /papers', $this->answer($old), $old);
        }
        $this->service(EditLog::class)->takeBack($edit, $this->actor());
        self::assertSame($before, $this->state());
    }

    public function testGoneAndNotFoundAreWhatTheyAnswer(): void
    {
        foreach ([
            'collections/small-gifts' => [VisitorForwarding::gone(), '410 '],
            'collections/first-binding' => [VisitorForwarding::notFound(), '404 '],
        ] as $key => [$onward, $answers]) {
            $id = DemoId::of($key);
            $address = $this->value('SELECT address FROM place WHERE id = ?', $id);
            $this->remover()->remove($id, $this->version($id), $onward, $this->actor());
            $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
            self::assertSame($answers, $this->answer($address), $key);
        }
    }

    public function testOneThatNobodyKnowsLeavesNothingBehind(): void
    {
        $id = $this->service(PlaceMaker::class)->make(PlaceKind::Page, 'A mistake', new PlaceParent(null), $this->actor());
        $this->remover()->remove($id, 1, VisitorForwarding::notFound(), $this->actor());
        self::assertSame([], $this->service(ReleaseReader::class)->waiting()->changes);
    }

    public function testAStaleRemovalIsNotMade(): void
    {
        $this->expectException(Stale::class);
        $this->remover()->remove(DemoId::of('pages/makers'), 99, VisitorForwarding::gone(), $this->actor());
    }

    public function testRelativesAreFoundByParentProductsAndName(): void
    {
        $near = fn (string $key): array => array_map(
            static fn (Relative $one): string => "{$one->place->title}: {$one->words()}",
            $this->service(RelativeReader::class)->of($this->place(DemoId::of($key))),
        );
        self::assertSame('Collections: stands above it', $near('collections/first-binding')[0]);
        self::assertMatchesRegularExpression('/shares \d+ of its 12 products/', implode(' ', $near('collections/first-binding')));
        self::assertSame('Marbled papers: stands above it', $near('categories/combed')[0]);
        self::assertStringContainsString('Rippled', implode(' ', $near('categories/combed')), 'a sibling is offered, too');
    }

    private function remover(): PlaceRemover
    {
        return $this->service(PlaceRemover::class);
    }

    private function place(string $id): Place
    {
        return $this->service(Copies::class)->workbench->places->get($id) ?? throw new \LogicException('It is not there.');
    }

    private function version(string $id): int
    {
        return (int) $this->value('SELECT version FROM place WHERE id = ?', $id);
    }

    private function answer(string $path): string
    {
        $live = $this->service(Copies::class)->live;
        $answer = (new Answerer($live->places, $live->rules))->answer($path, Visitor::guest(new \DateTimeImmutable()));

        return $answer->status.' '.$answer->location;
    }

    private function state(): string
    {
        return $this->value(<<<'SQL'
            SELECT (SELECT jsonb_agg(to_jsonb(p) - ARRAY['version', 'changed_at', 'changed_by'] ORDER BY id)
            FROM place p)::text || (SELECT jsonb_agg(to_jsonb(r) - 'version' - 'created_at' ORDER BY source, is_prefix)
            FROM redirect r)::text || (SELECT jsonb_agg(html ORDER BY id) FROM words)::text || (SELECT jsonb_agg(e ORDER BY id)
            FROM entry e)::text
            SQL);
    }
}
