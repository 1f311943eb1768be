<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Filter;

use Lantern\Demo\DemoId;
use Lantern\Tests\Admin\ApiTestCase;
use PHPUnit\Framework\Attributes\DataProvider;

final class ListingFiltersTest extends ApiTestCase
{
    public function testFiltersAreChosenForAllListingsAndForSearchAndTakenBack(): void
    {
        $this->choose(['filters' => ['price', 'maker', 'option.Sheet size']]);
        $this->choose(['of' => 'search', 'filters' => ['tag']]);
        $now = $this->get('/api/filters');
        self::assertSame([['price', 'maker', 'option.Sheet size'], ['tag']], [$this->at($now, 'everywhere'), $this->at($now, 'search')]);
        self::assertStringContainsString(
            'Visitors narrow listings by price, maker, sheet size.',
            (string) json_encode($this->get('/api/waiting')),
        );
        $this->send('POST', '/api/undo');
        self::assertNull($this->at($this->get('/api/filters'), 'search'));
        $this->choose(['of' => 'search', 'filters' => []]);
        self::assertSame([], $this->at($this->get('/api/filters'), 'search'), 'none is a choice, too');
        $this->choose(['of' => 'search', 'filters' => null]);
        self::assertNull($this->at($this->get('/api/filters'), 'search'));
    }

    public function testWhatSomebodyChangedMeanwhileIsNotOverwritten(): void
    {
        $version = $this->filtersVersion();
        $this->choose(['filters' => ['price']]);
        $answer = $this->send('PUT', '/api/filters', ['filters' => ['tag']], $version);
        self::assertSame(412, $this->code());
        self::assertSame(['price'], $this->at($answer, 'current', 'everywhere'));
        $this->send('PATCH', '/api/filters/words', ['filter' => 'maker', 'label' => 'Made by'], $version);
        self::assertSame(412, $this->code());
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('refused')]
    public function testWhatCannotBeChosenIsToldWithWhatToDo(array $body, string $told): void
    {
        $answer = $this->send('PUT', '/api/filters', $body, $this->filtersVersion());
        self::assertSame(422, $this->code());
        self::assertStringContainsString($told, (string) json_encode($answer, \JSON_UNESCAPED_UNICODE));
    }

    /** @return iterable<array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield [['filters' => ['colour']], 'no filter called “colour”'];
        yield [['filters' => ['maker', 'maker']], 'twice'];
        yield [['filters' => ['option.']], 'known by a name'];
        yield [['filters' => 'maker'], 'filters'];
        yield [['filters' => [1]], 'filters'];
        yield [['filters' => [], 'of' => 'sideways'], 'of'];
    }

    public function testAFilterIsWordedItsChoicesPutTogetherAndSeparatedAgain(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE product SET options = '{"Sheet size": ["50x70"]}' WHERE id = (SELECT id FROM product WHERE maker = 'Perrin Voss'
            ORDER BY id LIMIT 1)
            SQL);
        $choices = $this->get('/api/filters/choices?filter=option.Sheet%20size');
        self::assertSame([['50 × 70 cm', '50x70']], array_map(static function (mixed $group): array {
            $group = \is_array($group) ? $group : [];
            sort($group);

            return $group;
        }, (array) $this->at($choices, 'alike')));
        $this->word(['filter' => 'option.Sheet size', 'label' => 'Format', 'order' => 'count']);
        $this->word(['filter' => 'option.Sheet size', 'choice' => '50x70', 'standsAs' => '50 × 70 cm']);
        $this->word(['filter' => 'option.Sheet size', 'choice' => '50 × 70 cm', 'called' => 'Half sheet']);
        self::assertSame([], $this->at($this->get('/api/filters/choices?filter=option.Sheet%20size'), 'alike'));
        $offered = $this->offered(DemoId::of('categories/rippled'), '');
        self::assertSame(['Format', 4], [$offered['option.Sheet size'][0], $offered['option.Sheet size'][1]['Half sheet'] ?? 0]);
        $this->send(
            'PATCH',
            '/api/filters/words',
            ['filter' => 'option.Sheet size', 'choice' => '50 × 70 cm', 'standsAs' => '50x70'],
            $this->filtersVersion(),
        );
        self::assertSame(422, $this->code(), 'two values cannot stand for one another');
        $this->word(['filter' => 'option.Sheet size', 'choice' => '50x70', 'standsAs' => '']);
        self::assertSame(3, $this->offered(DemoId::of('categories/rippled'), '')['option.Sheet size'][1]['Half sheet'] ?? 0);
    }

    public function testAPlaceHasFiltersOfItsOwn(): void
    {
        $id = DemoId::of('categories/threads-and-cords');
        $sheet = $this->get("/api/places/$id");
        self::assertTrue($this->at($sheet, 'canBeNarrowed'));
        $version = \sprintf('"%s"', \is_int($v = $this->at($sheet, 'version')) ? $v : '');
        $sheet = $this->send('PUT', "/api/places/$id/filters", ['filters' => ['maker']], $version);
        self::assertSame(['maker'], $this->at($sheet, 'ownFilters'));
        $this->send('PUT', "/api/places/$id/filters", ['filters' => null], $version);
        self::assertSame(412, $this->code());
        self::assertSame('Threads and cords', $this->at($this->get('/api/filters'), 'own', 0, 'place', 'title'));
        self::assertStringContainsString('Visitors narrow its listing by other filters.', (string) json_encode($this->get('/api/waiting')));
        $page = DemoId::of('fixed/journal');
        $this->send(
            'PUT',
            "/api/places/$page/filters",
            ['filters' => ['maker']],
            \sprintf('"%s"', $this->value('SELECT version FROM place WHERE id = ?', $page)),
        );
        self::assertSame(422, $this->code(), 'a journal lists no products');
    }

    public function testWhatEachChoiceWouldLeaveIsToldForWhatIsChosen(): void
    {
        $id = DemoId::of('categories/papers');
        $all = $this->offered($id, '');
        $narrowed = $this->get(
            "/api/places/$id/filters?all=yes&chosen=".urlencode('maker=Hollin+Mill&category='.DemoId::of('categories/plain')),
        );
        self::assertSame($all['maker'][1]['Hollin Mill'], $this->at($narrowed, 'products'));
        self::assertSame('maker=Hollin+Mill&category=papers%2Fplain', $this->at($narrowed, 'chosen'));
        $this->get("/api/places/$id/filters?chosen=".str_repeat('x', 9000));
        self::assertSame(422, $this->code());
        $this->get('/api/places/'.DemoId::of('fixed/journal').'/filters');
        self::assertSame(404, $this->code());
        $this->get('/api/filters/choices?filter=colour');
        self::assertSame(422, $this->code());
    }

    public function testSearchWordsLeadToPlacesAndWhatWasMissedIsSuggested(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO missed_search VALUES ('marbeling papers', CURRENT_DATE, 3), ('zzz', CURRENT_DATE - 90, 9)
            SQL);
        $search = $this->get('/api/search');
        self::assertSame(
            ['marbeling papers'],
            array_column((array) $this->at($search, 'missed'), 'words'),
            'what is long ago is no longer told',
        );
        $suggested = $this->at($search, 'missed', 0, 'suggested', 'id');
        self::assertIsString($suggested);
        $lead = fn (?string $place, string $words = ' Marbeling  PAPERS '): mixed => $this->send(
            'PUT',
            '/api/search/words',
            ['words' => $words, 'placeId' => $place],
            \sprintf('"%s"', \is_int($v = $this->at($this->get('/api/search'), 'version')) ? $v : ''),
        );
        $search = $lead($suggested);
        self::assertSame(
            [['marbeling papers'], []],
            [array_column((array) $this->at($search, 'words'), 'words'), $this->at($search, 'missed')],
        );
        self::assertSame(\sprintf('"%s"', $suggested), $this->value("SELECT value FROM setting WHERE id = 'search_word.marbeling papers'"));
        $lead(DemoId::of('fixed/search'));
        self::assertSame(422, $this->code(), 'the search leads to itself anyway');
        $lead('00000000-0000-7000-8000-000000000000');
        self::assertSame(404, $this->code());
        $lead($suggested, '  ');
        self::assertSame(422, $this->code());
        self::assertSame([], $this->at($lead(null), 'words'));
    }

    public function testWhoOnlyLooksChangesNothing(): void
    {
        $this->signIn('viewer');
        $this->get('/api/filters');
        self::assertSame(200, $this->code());
        foreach ([
            ['PUT', '/api/filters', ['filters' => []]],
            ['PATCH', '/api/filters/words', ['filter' => 'maker', 'label' => 'x']],
            ['PUT', '/api/search/words', ['words' => 'x']],
            ['PUT', '/api/places/'.DemoId::of('categories/papers').'/filters', ['filters' => []]],
        ] as [$method, $path, $body]) {
            $this->send($method, $path, $body, '"1"');
            self::assertSame(403, $this->code(), $path);
        }
    }

    /** @return array<string, array{string, array<string, int>}> label and choices with their counts, by the key of each filter */
    private function offered(string $placeId, string $chosen): array
    {
        $offered = [];
        foreach ((array) $this->at($this->get("/api/places/$placeId/filters?all=yes&chosen=".urlencode($chosen)), 'filters') as $filter) {
            $key = $this->at($filter, 'key');
            $label = $this->at($filter, 'label');
            self::assertIsString($key);
            self::assertIsString($label);
            /** @var list<array{label: string, products: int}> $choices */
            $choices = $this->at($filter, 'choices');
            $offered[$key] = [$label, array_column($choices, 'products', 'label')];
        }

        return $offered;
    }

    private function filtersVersion(): string
    {
        $version = $this->at($this->get('/api/filters'), 'version');

        return \sprintf('"%s"', \is_int($version) ? $version : '');
    }

    /** @param array<string, mixed> $body */
    private function choose(array $body): void
    {
        $this->send('PUT', '/api/filters', $body, $this->filtersVersion());
        self::assertSame(200, $this->code());
    }

    /** @param array<string, mixed> $body */
    private function word(array $body): void
    {
        $this->send('PATCH', '/api/filters/words', $body, $this->filtersVersion());
        self::assertSame(200, $this->code());
    }
}
