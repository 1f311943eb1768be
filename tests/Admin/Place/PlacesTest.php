<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Place;

use Lantern\Core\Place\FileType;
use Lantern\Demo\DemoId;
use Lantern\Demo\PlainPdf;
use Lantern\Tests\Admin\ApiTestCase;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\File\UploadedFile;

final class PlacesTest extends ApiTestCase
{
    public function testAPlaceIsMadeWrittenAndRevised(): void
    {
        $made = $this->send('POST', '/api/places', ['kind' => 'page', 'title' => 'Opening hours', 'parent' => DemoId::of('groups/about')]);
        $id = $this->text($made, 'id');
        $words = $this->send(
            'PUT',
            "/api/places/$id/words",
            ['html' => '<h2>On Thursdays</h2><p onclick="x()">See <a href="/papers">papers</a></p>'],
            '"1"',
        );
        self::assertSame(['onclick'], $this->at($words, 'takenOut'));
        self::assertSame(['on-thursdays', 'Papers'], [$this->at($words, 'anchors', 0, 'name'), $this->at($words, 'links', 0, 'title')]);
        $sheet = $this->send(
            'PATCH',
            "/api/places/$id",
            [
                'light' => 'quiet',
                'opening' => ['from' => '2027-03-01T10:00:00Z', 'until' => null],
                'audience' => 'customers',
                'closing' => ['answer' => 'elsewhere', 'to' => DemoId::of('pages/visit')],
                'listing' => ['listed' => false, 'title' => 'When we open', 'description' => ''],
                'summary' => 'Ten to four.',
            ],
            '"2"',
        );
        self::assertSame(
            [
                200,
                'quiet',
                'closed',
                'Opens 1 March 2027',
                '2027-03-01T10:00:00+00:00',
                null,
                'customers',
                'elsewhere',
                'Visit the workshop',
                false,
                'Ten to four.',
            ],
            [
                $this->code(),
                $this->at($sheet, 'light'),
                $this->at($sheet, 'place', 'light'),
                $this->at($sheet, 'place', 'lightWords'),
                $this->at($sheet, 'opensOn'),
                $this->at($sheet, 'closesOn'),
                $this->at($sheet, 'audience'),
                $this->at($sheet, 'closedAnswer'),
                $this->at($sheet, 'closedTo', 'title'),
                $this->at($sheet, 'listing', 'listed'),
                $this->at($sheet, 'summary'),
            ],
        );
        self::assertSame('When we open · Tansy & Rook', $this->at($sheet, 'listing', 'titleShown', 'text'));
        $mentions = $this->get("/api/places/$id/mentions");
        self::assertNull($this->at($mentions, 'steps'), 'it does not open yet');
    }

    public function testTwoPeopleAtOnePlaceLoseNothing(): void
    {
        $id = DemoId::of('pages/visit');
        $this->send('PUT', "/api/places/$id/words", ['html' => '<p>Mine</p>'], '"1"');
        $stale = $this->send('PUT', "/api/places/$id/words", ['html' => '<p>Theirs</p>'], '"1"');
        self::assertSame(
            [412, '<p>Mine</p>', 2],
            [$this->code(), $this->at($stale, 'current', 'html'), $this->at($stale, 'current', 'version')],
        );
        $stale = $this->send('PATCH', "/api/places/$id", ['title' => 'Theirs'], '"1"');
        self::assertSame([412, 'Visit the workshop'], [$this->code(), $this->at($stale, 'current', 'place', 'title')]);
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('badRevisions')]
    public function testABadRevisionNamesTheField(array $body, string $field): void
    {
        $problem = $this->send('PATCH', '/api/places/'.DemoId::of('categories/kits'), $body, '"1"');
        self::assertSame([422, $field], [$this->code(), $this->at($problem, 'field')]);
        self::assertSame('1', $this->value('SELECT version FROM place WHERE id = ?', DemoId::of('categories/kits')));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function badRevisions(): iterable
    {
        yield 'a light that is none' => [['light' => 'dim'], 'light'];
        yield 'an end before the beginning' => [
            ['opening' => ['from' => '2027-02-01T00:00:00Z', 'until' => '2027-01-01T00:00:00Z']],
            'closesOn',
        ];
        yield 'a moment that is none' => [['opening' => ['from' => 'soon', 'until' => null]], 'opening.from'];
        yield 'below its child' => [['parent' => DemoId::of('categories/first-kits')], 'parent'];
        yield 'below an id that is none' => [['parent' => 'kits'], 'parent'];
        yield 'elsewhere, but nowhere' => [['closing' => ['answer' => 'elsewhere']], 'closedTo'];
        yield 'a picture that is none' => [['picture' => '../../etc/passwd'], 'picture'];
        yield 'a rule for a category' => [['rule' => ['by' => 'newest']], 'rule'];
        yield 'a listing that is a text' => [['listing' => 'no'], 'listing'];
    }

    public function testTheTableIsNarrowedAndOrdered(): void
    {
        $titles = fn (string $query): array => array_map(
            fn (mixed $row): mixed => $this->at($row, 'place', 'title'),
            (array) $this->at($this->get("/api/places?$query"), 'rows'),
        );
        self::assertSame(
            ['Buying for a bindery', 'Care leaflet', 'Cookies', 'For newspapers', 'Order form for schools', 'Pamphlet stitch sheet'],
            $titles('led=nowhere'),
        );
        self::assertSame(
            ['When will it come?', 'Ways to pay', 'Sheet sizes'],
            $titles('order=title&down=yes&group='.DemoId::of('groups/help')),
        );
        self::assertSame(['Search the shop'], $titles('listed=no'));
        self::assertSame('/', $this->at($this->get('/api/places?order=address'), 'rows', 0, 'place', 'address'));
        $this->send('PATCH', '/api/places/'.DemoId::of('pages/paying'), ['summary' => 'New'], '"1"');
        self::assertSame('Ways to pay', $titles('order=changed&down=yes')[0]);
        foreach (['title', 'address', 'kind', 'changed'] as $order) {
            foreach (['', 'yes'] as $down) {
                $seen = [];
                $after = '';
                do {
                    $page = $this->get("/api/places?order=$order&down=$down&after=$after");
                    foreach ((array) $this->at($page, 'rows') as $row) {
                        $seen[] = $this->text($row, 'place', 'id');
                    }
                    $after = $this->at($page, 'next');
                } while (\is_string($after));
                self::assertSame($this->value('SELECT count(*) FROM place'), (string) \count(array_unique($seen)), "$order $down");
                self::assertCount(\count(array_unique($seen)), $seen, 'none twice');
            }
        }
    }

    public function testAFileIsUploadedServedAndReplaced(): void
    {
        $made = $this->upload('/api/files', 'Grain Chart_2.pdf', PlainPdf::of(['One']));
        $sheet = $this->get('/api/places/'.$this->text($made, 'id'));
        self::assertSame(
            ['Grain Chart 2', '/files/grain-chart-2.pdf', 'application/pdf', false],
            [
                $this->at($sheet, 'place', 'title'),
                $this->at($sheet, 'place', 'address'),
                $this->at($sheet, 'file', 'type'),
                $this->at($sheet, 'file', 'isPicture'),
            ],
        );
        $this->upload(
            '/api/places/'.$this->text($made, 'id').'/file',
            'other.pdf',
            PlainPdf::of(['Two']),
            '"'.$this->text($sheet, 'version').'"',
        );
        self::assertSame(200, $this->code());
        $problem = $this->upload('/api/places/'.$this->text($made, 'id').'/file', 'note.txt', 'text', '"3"');
        self::assertSame([422, 'file'], [$this->code(), $this->at($problem, 'field')]);

        $picture = $this->upload('/api/files', 'dot.gif', self::gif());
        $stored = $this->text($this->get('/api/places/'.$this->text($picture, 'id')), 'file', 'picture');
        self::assertMatchesRegularExpression('#^uploads/[0-9a-f]{64}\.gif$#', $stored);
        $sheet = $this->send('PATCH', '/api/places/'.DemoId::of('categories/kits'), ['picture' => $stored], '"1"');
        self::assertSame($stored, $this->at($sheet, 'picture'));
    }

    #[DataProvider('lyingUploads')]
    public function testAnUploadThatLiesIsRefused(string $name, string $content, string $says): void
    {
        $places = $this->value('SELECT count(*) FROM place');
        $stored = $this->stored();
        $problem = $this->upload('/api/files', $name, $content);
        self::assertSame([422, 'file'], [$this->code(), $this->at($problem, 'field')]);
        self::assertStringContainsString($says, $this->text($problem, 'detail'));
        self::assertSame([$places, $stored], [$this->value('SELECT count(*) FROM place'), $this->stored()], 'nothing is half stored');
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function lyingUploads(): iterable
    {
        yield 'a page called PDF' => ['chart.pdf', '<html><script>alert(1)</script></html>', 'its content is text/html'];
        yield 'a page called PNG' => ['cat.png', '<html><body>x</body></html>', 'its content is text/html'];
        yield 'a program called PNG' => ['cat.png', "MZ\x90\0\x03\0\0\0", 'its content is'];
        yield 'a script called picture' => ['cat.php.png', '<?php echo 1;', 'its content is text/x-php'];
        yield 'a GIF called PNG' => ['cat.png', self::gif(), 'its content is image/gif'];
        yield 'a picture that is cut off' => ['cat.png', "\x89PNG\r\n\x1a\n\0\0\0\x0dIHDR", 'cannot be read'];
        yield 'a drawing' => ['cat.svg', '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>', 'has <script> in it'];
        yield 'a page' => ['page.html', '<p>x</p>', 'no type'];
        yield 'a program' => ['run.sh', "#!/bin/sh\nid", 'no type'];
        yield 'an archive called table' => ['table.csv', "PK\x03\x04\x14\0\0\0\0\0", 'its content is'];
        yield 'nothing' => ['empty.txt', '', 'empty'];
        yield 'no extension' => ['README', 'words', 'no type'];
        yield 'too much' => ['big.txt', str_repeat('x', FileType::MAX_BYTES + 1), 'at most 20 MB'];
    }

    public function testAFileWithoutAFileIsRefused(): void
    {
        $problem = $this->send('POST', '/api/files', []);
        self::assertSame([422, 'file'], [$this->code(), $this->at($problem, 'field')]);
    }

    public function testOutsideMentionsAreAListOneCanAddTo(): void
    {
        $id = DemoId::of('pages/visit');
        $after = $this->send('POST', "/api/places/$id/outside-mentions", ['kind' => 'printed code', 'name' => 'Code on the door']);
        $outside = array_values(array_filter(
            (array) $this->at($after, 'mentions'),
            fn (mixed $one): bool => 'outside' === $this->at($one, 'kind'),
        ));
        self::assertSame(['Code on the door', 'printed code'], [$this->at($outside, 0, 'where'), $this->at($outside, 0, 'says')]);
        $this->send('DELETE', '/api/outside-mentions/'.$this->text($outside, 0, 'id'), []);
        self::assertSame(204, $this->code());
        $this->send('DELETE', '/api/outside-mentions/'.$this->text($outside, 0, 'id'), []);
        self::assertSame(404, $this->code());
        $problem = $this->send('POST', "/api/places/$id/outside-mentions", ['kind' => ' ', 'name' => 'x']);
        self::assertSame([422, 'kind'], [$this->code(), $this->at($problem, 'field')]);
    }

    public function testWhatAnotherVisitorSeesIsSaidInWords(): void
    {
        self::assertSame([], $this->at($this->get('/api/seen'), 'differences'));
        $this->workbench()->executeStatement("UPDATE place SET audience = 'customers' WHERE address = '/kits'");
        self::assertSame(
            ['“Kits” is open; for a guest today it asks for another audience.', 'Header: “Kits” leads somewhere.'],
            $this->at($this->get('/api/seen?audience=customer&place='.DemoId::of('categories/kits')), 'differences'),
        );
    }

    public function testAViewerWritesNothing(): void
    {
        $this->signIn('viewer');
        $id = DemoId::of('pages/visit');
        foreach ([
            ['POST', '/api/places'],
            ['POST', '/api/places/many'],
            ['POST', '/api/files'],
            ['POST', "/api/places/$id/duplicate"],
            ['PUT', "/api/places/$id/words"],
            ['POST', "/api/places/$id/removal"],
            ['POST', '/api/addresses'],
            ['POST', '/api/redirects'],
            ['POST', '/api/redirects/many'],
            ['POST', '/api/redirects/removal'],
            ['POST', '/api/redirects/sheet'],
            ['POST', '/api/policies'],
            ['PATCH', '/api/details'],
            ['POST', "/api/places/$id/outside-mentions"],
            ['PUT', "/api/places/$id/products"],
            ['PUT', "/api/places/$id/stand"],
        ] as [$method, $path]) {
            $this->send($method, $path, ['kind' => 'page', 'title' => 'x'], '"1"');
            self::assertSame(403, $this->code(), "$method $path");
        }
    }

    private function upload(string $path, string $name, string $content, ?string $version = null): mixed
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'upload');
        file_put_contents($file, $content);
        $this->browser->request(
            'POST',
            $path,
            files: ['file' => new UploadedFile($file, $name, 'image/png', null, true)],
            server: ['HTTP_X_CSRF_TOKEN' => $this->csrf] + (null === $version ? [] : ['HTTP_IF_MATCH' => $version]),
        );
        unlink($file);

        return json_decode((string) $this->browser->getResponse()->getContent(), true);
    }

    private function stored(): int
    {
        $folder = $_SERVER['LANTERN_FILES'] ?? null;
        self::assertIsString($folder);

        return \count(glob("$folder/uploads/*") ?: []);
    }

    private static function gif(): string
    {
        return (string) base64_decode('R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7', true);
    }

    private function text(mixed $data, string|int ...$keys): string
    {
        $value = $this->at($data, ...$keys);

        return \is_scalar($value) ? (string) $value : self::fail('This is no text.');
    }
}
