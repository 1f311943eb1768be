<?php

declare(strict_types=1);

namespace Lantern\Workbench\Places;

use Doctrine\DBAL\Connection;
use Lantern\Core\Place\Drawing;
use Lantern\Core\Place\FileType;
use Lantern\Core\Place\StoredFile;
use Lantern\Core\Refused;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Filesystem\Filesystem;

/** Keeps the bytes of files outside the web root, under names made from their content. */
final readonly class FileStore
{
    private const UPLOADS = 'uploads';

    /** So many points of a picture are drawn by a browser without trouble, whatever few bytes they take. */
    private const MOST_PIXELS = 60_000_000;

    public function __construct(
        #[Autowire(env: 'resolve:LANTERN_FILES')] private string $folder,
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private Locks $locks,
    ) {
    }

    /**
     * Keeps the bytes of an upload as long as what is made of them is kept: where that is refused, they go.
     *
     * @template T
     *
     * @param \Closure(StoredFile): T $make
     *
     * @return T
     *
     * @throws Refused where its type or its size is not allowed, or by what is made
     */
    public function keeping(Upload $upload, \Closure $make): mixed
    {
        $found = (new \finfo(\FILEINFO_MIME_TYPE))->file($upload->path);
        $type = FileType::ofUpload($upload->name, \is_string($found) ? $found : 'application/octet-stream', (int) filesize($upload->path));
        if (FileType::Svg === $type) {
            Drawing::check($upload->name, (string) file_get_contents($upload->path));
        } elseif ($type->isPicture()) {
            $size = getimagesize($upload->path);
            if (false === $size) {
                throw new Refused('file', "“{$upload->name}” cannot be read as a picture. Save it anew, then upload it again.");
            }
            if ($size[0] * $size[1] > self::MOST_PIXELS) {
                throw new Refused(
                    'file',
                    \sprintf(
                        '“%s” has %s × %s points. Save it with at most %d million in all.',
                        $upload->name,
                        number_format($size[0]),
                        number_format($size[1]),
                        intdiv(self::MOST_PIXELS, 1_000_000),
                    ),
                );
            }
        }
        $stored = new StoredFile(
            self::UPLOADS.'/'.hash_file('sha256', $upload->path).'.'.$type->extensions()[0],
            $type,
            (int) filesize($upload->path),
        );

        // Two who upload the same bytes at one moment come one after the other: the second finds the file of the first, or its absence.
        return $this->locks->during(Lock::File, $stored->name, fn (): mixed => $this->kept($upload->path, $stored, $make));
    }

    /**
     * @template T
     *
     * @param \Closure(StoredFile): T $make
     *
     * @return T
     */
    private function kept(string $path, StoredFile $stored, \Closure $make): mixed
    {
        $target = "{$this->folder}/{$stored->name}";
        $isNew = !is_file($target);
        if ($isNew) {
            // Written aside and put in place at once, so that nobody ever reads half of it.
            $files = new Filesystem();
            $files->copy($path, $part = $target.'.'.bin2hex(random_bytes(4)));
            $files->chmod($part, 0o644);
            $files->rename($part, $target, true);
        }
        try {
            return $make($stored);
        } catch (\Throwable $failure) {
            if ($isNew && false === $this->connection->fetchOne(<<<'SQL'
                SELECT 1 FROM place WHERE kind = 'file' AND file ->> 'stored' = ?
                SQL, [$stored->name])) {
                @unlink($target);
            }
            throw $failure;
        }
    }

    /** Where the bytes of an uploaded picture of the workbench lie; null where there is none of this name. */
    public function pathOf(string $name): ?string
    {
        return $this->isKnown($name) && is_file("{$this->folder}/$name") ? "{$this->folder}/$name" : null;
    }

    /**
     * A picture that may be shown beside a place: one of the shop's drawn ones, or an uploaded file.
     *
     * @throws Refused where there is none of this name
     */
    public function knownPicture(string $name): string
    {
        // What is stored elsewhere is no picture that a page could show: visitors get drawn ones and uploads.
        $isThere = str_starts_with($name, self::UPLOADS.'/')
            ? $this->isKnown($name)
            : 1 === preg_match('/^[a-z0-9-]+\.svg$/D', $name) && is_file("{$this->folder}/pictures/$name");

        return $isThere ? $name : throw new Refused('picture', 'There is no such picture. Upload it as a file first, then choose it.');
    }

    private function isKnown(string $name): bool
    {
        return false !== $this->connection->fetchOne(<<<'SQL'
            SELECT 1 FROM place WHERE kind = 'file' AND file ->> 'stored' = ? AND file ->> 'type' LIKE 'image/%'
            SQL, [$name]);
    }
}
