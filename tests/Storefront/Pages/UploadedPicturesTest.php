<?php

declare(strict_types=1);

namespace Lantern\Tests\Storefront\Pages;

use Lantern\Core\Person\Actor;
use Lantern\Kernel;
use Lantern\Tests\Admin\ApiTestCase;
use Lantern\Workbench\Publishing\Publisher;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\Request;

/** A picture is there for visitors as long as the file that brought it is. */
final class UploadedPicturesTest extends ApiTestCase
{
    /** A picture of one dot. */
    private const GIF = 'R0lGODdhAQABAIAAAP///////ywAAAAAAQABAAACAkQBADs=';

    private string $stored = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->stored = 'uploads/'.hash('sha256', (string) base64_decode(self::GIF, true)).'.gif';
        @unlink($this->folder()."/{$this->stored}");
    }

    public function testItIsServedFromItsReleaseUntilItIsClosed(): void
    {
        $place = $this->upload('dot.gif', (string) base64_decode(self::GIF, true));
        self::assertSame(200, $this->code());
        self::assertFileExists($this->folder()."/{$this->stored}");
        self::assertSame(404, $this->shop("/-/pictures/{$this->stored}"), 'nobody published it yet');
        $this->browser->request('GET', '/api/pictures/'.basename($this->stored));
        self::assertSame(200, $this->code(), 'who works on it sees it');
        self::assertSame(
            "default-src 'none'; style-src 'unsafe-inline'; sandbox",
            $this->header('Content-Security-Policy'),
            'a drawing is no page of the management, whatever is in it',
        );
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        self::assertSame(200, $this->shop("/-/pictures/{$this->stored}"));
        $this->workbench()->executeStatement("UPDATE place SET light = 'closed' WHERE id = ?", [$place]);
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        self::assertSame(404, $this->shop("/-/pictures/{$this->stored}"));
    }

    public function testOfARefusedUploadNothingIsKept(): void
    {
        $huge = pack('a6vvCCC', 'GIF89a', 30_000, 30_000, 0, 0, 0).';';
        $this->upload('huge.gif', $huge);
        self::assertSame(422, $this->code());
        self::assertStringContainsString('30,000', (string) $this->browser->getResponse()->getContent(), 'a browser would have to draw it');
        self::assertFileDoesNotExist($this->folder().'/uploads/'.hash('sha256', $huge).'.gif');
        $this->upload('dot.png', 'no picture');
        self::assertSame(422, $this->code());
        $id = $this->value("SELECT id FROM place WHERE kind = 'page' LIMIT 1");
        $this->send('POST', '/api/places', ['kind' => 'page', 'title' => 'x']);
        $this->browser->request(
            'POST',
            "/api/places/$id/file",
            files: ['file' => $this->file('dot.gif', (string) base64_decode(self::GIF, true))],
            server: ['HTTP_X_CSRF_TOKEN' => $this->csrf, 'HTTP_IF_MATCH' => '"1"', 'CONTENT_TYPE' => 'multipart/form-data; boundary=x'],
        );
        self::assertContains($this->code(), [404, 412, 422], 'a page has no bytes');
        self::assertFileDoesNotExist($this->folder()."/{$this->stored}");
    }

    private function upload(string $name, string $content): string
    {
        $this->browser->request(
            'POST',
            '/api/files',
            files: ['file' => $this->file($name, $content)],
            server: ['HTTP_X_CSRF_TOKEN' => $this->csrf, 'CONTENT_TYPE' => 'multipart/form-data; boundary=x'],
        );
        $made = json_decode((string) $this->browser->getResponse()->getContent(), true);

        return \is_array($made) && \is_string($made['id'] ?? null) ? $made['id'] : '';
    }

    private function file(string $name, string $content): UploadedFile
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'upload');
        file_put_contents($path, $content);

        return new UploadedFile($path, $name, null, null, true);
    }

    private function shop(string $target): int
    {
        $kernel = new Kernel('test', false, 'storefront');
        $code = $kernel->handle(Request::create($target))->getStatusCode();
        $kernel->shutdown();

        return $code;
    }

    private function folder(): string
    {
        $folder = $_SERVER['LANTERN_FILES'] ?? '';

        return \is_string($folder) ? $folder : '';
    }
}
