<?php

declare(strict_types=1);

namespace Lantern\Tests\Persistence;

use Lantern\Core\Redirect\Fate;
use Lantern\Core\Redirect\SheetLine;
use Lantern\Core\Refused;
use Lantern\Demo\DemoId;
use Lantern\Interchange\RedirectCsv;
use Lantern\Interchange\RedirectExport;
use Lantern\Persistence\NotThere;
use Lantern\Persistence\RedirectEditor;
use Lantern\Persistence\RedirectTable;
use Lantern\Tests\ShopTestCase;
use Symfony\Component\Uid\UuidV7;

final class RedirectEditorTest extends ShopTestCase
{
    public function testWhatIsExportedAndBroughtAgainChangesNothing(): void
    {
        $before = $this->rows();
        $csv = implode('', iterator_to_array(RedirectExport::write('csv', $this->table()->all()), false));
        $file = fopen('php://memory', 'w+') ?: throw new \LogicException('No memory.');
        fwrite($file, $csv);
        rewind($file);
        $judgement = $this->editor()->take(array_values(iterator_to_array(RedirectCsv::read($file), false)), 'file');
        self::assertSame([], $judgement->added);
        self::assertSame(0, $judgement->count(Fate::Added));
        self::assertSame($before, $this->rows());
    }

    public function testARedirectIsMadeChangedAndTakenAway(): void
    {
        $this->editor()->make(new SheetLine(1, '/Winter//List/', '/papers/marbled', '302', '2030-01-01', 'Posters'));
        $id = (string) $this->value("SELECT id FROM redirect WHERE source = '/winter/list'");
        self::assertSame(DemoId::of('categories/marbled'), $this->value('SELECT goal_place_id FROM redirect WHERE id = ?', $id));
        $this->editor()->change($id, new SheetLine(1, '/winter/list', '/tools', '301'));
        self::assertSame(DemoId::of('categories/tools'), $this->value("SELECT goal_place_id FROM redirect WHERE source = '/winter/list'"));
        $before = $this->rows();
        try {
            $this->editor()->change((string) $this->value("SELECT id FROM redirect WHERE source = '/winter/list'"), new SheetLine(1, '/winter/list', '/winter/list'));
            self::fail('It was changed.');
        } catch (Refused) {
            self::assertSame($before, $this->rows(), 'what cannot be leaves the old one as it was');
        }
        self::assertSame(1, $this->editor()->remove([(string) $this->value("SELECT id FROM redirect WHERE source = '/winter/list'")]));
        $this->expectException(NotThere::class);
        $this->editor()->change((new UuidV7())->toRfc4122(), new SheetLine(1, '/winter/list', '/tools'));
    }

    public function testTheTableIsNarrowedAndPagedBySource(): void
    {
        $sources = static fn (array $rows): array => array_map(static fn ($one): string => $one->rule->sourceWords(), $rows);
        self::assertSame(['/bindery-tours'], $sources($this->table()->page('', '', '', 'nowhere', null)));
        self::assertContains('/blog/*', $sources($this->table()->page('journal', '', '', '', null)));
        self::assertNotContains('/agb', $sources($this->table()->page('', '302', '', '', null)));
        $all = $sources($this->table()->page('', '', '', '', null));
        $first = $this->table()->page('', '', '', '', null, 5);
        self::assertSame(\array_slice($all, 5, 5), $sources($this->table()->page('', '', '', '', $first[4]->rule->id, 5)));
    }

    public function testTheMapForNginxHasExactRulesThatLeadOnForGood(): void
    {
        $map = implode('', iterator_to_array(RedirectExport::write('nginx', $this->table()->all()), false));
        self::assertStringContainsString('"/agb" "/policies/', $map);
        self::assertStringNotContainsString('/blog/*', $map);
        $json = json_decode(implode('', iterator_to_array(RedirectExport::write('json', $this->table()->all()), false)), true, flags: \JSON_THROW_ON_ERROR);
        self::assertIsArray($json);
        self::assertCount($this->table()->count(), $json);
    }

    private function rows(): string
    {
        return (string) $this->value('SELECT jsonb_agg(r ORDER BY r.id) FROM redirect r');
    }

    private function editor(): RedirectEditor
    {
        return $this->service(RedirectEditor::class);
    }

    private function table(): RedirectTable
    {
        return $this->service(RedirectTable::class);
    }
}
