<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Outlines;

use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Menu\ContactTarget;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\FillingSource;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\Insert;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Position;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\Menu\Together;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Outline\PastedOutline;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Opening;
use Lantern\Demo\DemoId;
use Lantern\Interchange\Json\MenuJson;
use Lantern\Interchange\Opml\Opml;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Outlines\MatchedLine;
use Lantern\Reading\Outlines\OutlineMatcher;
use Lantern\Reading\Outlines\OutlineWriter;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Menus\MenuEditor;
use Symfony\Component\Uid\UuidV7;

final class OutlineMatcherTest extends ShopTestCase
{
    public function testLinesAreMatchedWithPlaces(): void
    {
        $lines = $this->matcher()->match(PastedOutline::read(<<<'TEXT'
            Papers
              Marbled papers
                combed
              Marbeld paper
              Papers, block printed
            Seasonal
              Care of paper
            Nothing like it anywhere zzz
            The fair → https://fair.example/
            Write → mailto:hello@tansyandrook.example
            Old one /marbled-papers
            Gifts /collections/small-gifts?tag=marbled
            Nobody /nowhere-at-all
            Bad → javascript:alert(1)
            TEXT));
        $told = array_map(
            static fn (MatchedLine $line): array => [
                $line->level,
                $line->line->label,
                self::leads($line),
                $line->matches[0]->sureness->value ?? null,
            ],
            $lines,
        );
        self::assertSame([
            [1, 'Papers', 'categories/papers', 'certain'],
            [2, 'Marbled papers', 'categories/marbled', 'certain'],
            [3, 'combed', 'categories/combed', 'certain'],
            [2, 'Marbeld paper', 'categories/marbled', 'unsure'],
            [2, 'Papers, block printed', 'categories/block', 'likely'],
            [1, 'Seasonal', 'heading', null],
            [2, 'Care of paper', 'pages/care-of-paper', 'certain'],
            [1, 'Nothing like it anywhere zzz', null, null],
            [1, 'The fair', 'https://fair.example/', null],
            [1, 'Write', 'mailto:hello@tansyandrook.example', null],
            [1, 'Old one', 'categories/marbled', null],
            [1, 'Gifts', 'collections/small-gifts', null],
            [1, 'Nobody', null, null],
            [1, 'Bad → javascript:alert(1)', null, null],
        ], $told);
        self::assertStringContainsString('Nothing in this shop is at /nowhere-at-all', (string) $lines[12]->problem);
        self::assertInstanceOf(PlaceTarget::class, $lines[11]->entry?->target);
        self::assertSame(['tag' => ['marbled']], $lines[11]->entry->target->narrowing->choices);
        self::assertNull($lines[0]->entry?->label, 'the very title follows the place');
        self::assertSame('combed', $lines[2]->entry?->label);
    }

    public function testAMenuComesBackAsItWentOut(): void
    {
        $menu = DemoId::of('menus/header');
        $this->service(MenuEditor::class)->move($menu, 1, new Together([
            new Insert(
                new Entry(
                    (new UuidV7())->toRfc4122(),
                    new PlaceTarget(DemoId::of('categories/papers'), '', new Narrowing(['tag' => ['gift']], null, 2000)),
                    'Small sheets',
                    [],
                    false,
                    Audience::Customers,
                    new Opening(new \DateTimeImmutable('2030-01-01T00:00:00Z')),
                    false,
                    'Ask Imke',
                ),
                new Position(null, 0),
            ),
            new Insert(
                new Entry(
                    (new UuidV7())->toRfc4122(),
                    new OutsideTarget('https://fair.example/?a=1&b=2'),
                    'The <fair> & more',
                    newTab: true,
                ),
                new Position(null, 1),
            ),
            new Insert(
                new Entry(
                    (new UuidV7())->toRfc4122(),
                    new Heading(),
                    'New',
                    filling: new SelfFilling(
                        FillingSource::Categories,
                        DemoId::of('categories/papers'),
                        depth: 2,
                        labels: [DemoId::of('categories/marbled') => 'Marbled'],
                        leftOut: [DemoId::of('categories/plain')],
                    ),
                ),
                new Position(null, 2),
            ),
        ]), $this->actor());
        $tree = $this->service(Copies::class)->workbench->menus->tree($menu);
        $writer = $this->service(OutlineWriter::class);
        self::assertEquals(
            $this->bare($tree),
            $this->bare($this->treeOf($this->matcher()->match(
                MenuJson::read(MenuJson::write('Header', $writer->lines($menu, false))),
                false,
            ))),
            'JSON loses nothing',
        );
        $lines = $writer->lines($menu, true);
        self::assertSame(
            $this->stands($tree),
            $this->stands($this->treeOf($this->matcher()->match(
                Opml::read(Opml::write('Header', $lines, new \DateTimeImmutable())),
                false,
            ))),
            'OPML keeps labels, targets, order and what is off',
        );
        $written = $this->matcher()->match(PastedOutline::read(PastedOutline::write($lines)), false);
        self::assertSame($this->stands($tree, false), $this->stands($this->treeOf($written), false));
    }

    private static function leads(MatchedLine $line): ?string
    {
        $target = $line->entry?->target;

        return match (true) {
            $target instanceof PlaceTarget => array_values(array_filter(
                [
                    'categories/papers',
                    'categories/marbled',
                    'categories/combed',
                    'categories/block',
                    'pages/care-of-paper',
                    'collections/small-gifts',
                ],
                static fn (string $key): bool => DemoId::of($key) === $target->placeId,
            ))[0]
                ?? 'another',
            $target instanceof Heading => 'heading',
            $target instanceof OutsideTarget => $target->url,
            $target instanceof ContactTarget => $target->uri,
            default => null,
        };
    }

    /** @param list<MatchedLine> $lines */
    private function treeOf(array $lines, int $level = 1, int &$at = 0): Tree
    {
        return new Tree($this->entriesOf($lines, $level, $at));
    }

    /**
     * @param list<MatchedLine> $lines
     *
     * @return list<Entry>
     */
    private function entriesOf(array $lines, int $level, int &$at): array
    {
        $entries = [];
        while (isset($lines[$at]) && $lines[$at]->level >= $level) {
            $entry = $lines[$at++]->entry ?? throw new \LogicException('It leads nowhere.');
            $entries[] = $entry->withChildren($this->entriesOf($lines, $level + 1, $at));
        }

        return $entries;
    }

    /** The tree with the same ids everywhere, for whoever compares what stands in it. */
    private function bare(Tree $tree): Tree
    {
        $bare = static fn (Entry $entry): Entry => new Entry(
            'e',
            $entry->target,
            $entry->label,
            array_map(static fn (Entry $child): Entry => $child, $entry->children),
            $entry->enabled,
            $entry->audience,
            $entry->opening,
            $entry->newTab,
            $entry->note,
            $entry->filling,
        );
        $all = static function (array $entries) use (&$all, $bare): array {
            /** @var list<Entry> $entries */
            return array_map(static fn (Entry $entry): Entry => $bare($entry)->withChildren($all($entry->children)), $entries);
        };

        return new Tree($all($tree->entries));
    }

    /** @return list<string> */
    private function stands(Tree $tree, bool $withSwitch = true): array
    {
        $places = $this->service(Copies::class)->workbench->places->byIds($tree->placeIds());
        $stands = [];
        foreach ($tree->all() as $entry) {
            $target = $entry->target;
            $title = $target instanceof PlaceTarget ? $places[$target->placeId]->title : '';
            $stands[] = $tree->level($entry->id).' '.($entry->label ?? $title).' '.json_encode($target, \JSON_THROW_ON_ERROR)
                .($withSwitch && !$entry->enabled ? ' off' : '');
        }

        return $stands;
    }

    private function matcher(): OutlineMatcher
    {
        return $this->service(OutlineMatcher::class);
    }
}
