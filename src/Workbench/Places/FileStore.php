<?php

declare(strict_types=1);

namespace Lantern\Workbench\Places;

use Doctrine\DBAL\Connection;
use Lantern\Core\Place\Drawing;
use Lantern\Core\Place\FileType;
use Lantern\Core\Place\StoredFile;
use Lantern\Core\Refused;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Filesystem\Filesystem;

/** Keeps the bytes of files outside the web root, under names made from their content. */
final readonly class FileStore
{
    private const UPLOADS = 'uploads';

    public function __construct(
        #[Autowire(env: 'resolve:LANTERN_FILES')] private string $folder,
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
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
        } elseif ($type->isPicture() && false === getimagesize($upload->path)) {
            throw new Refused('file', "“{$upload->name}” cannot be read as a picture. Save it anew, then upload it again.");
        }
        $stored = new StoredFile(self::UPLOADS.'/'.hash_file('sha256', $upload->path).'.'.$type->extensions()[0], $type, (int) filesize($upload->path));
        $target = "{$this->folder}/{$stored->name}";
        $isNew = !is_file($target);
        if ($isNew) {
            (new Filesystem())->copy($upload->path, $target);
            chmod($target, 0o644);
        }
        try {
            return $make($stored);
        } catch (\Throwable $failure) {
            // Unless somebody else uploaded the same bytes at this moment.
            if ($isNew && false === $this->connection->fetchOne("SELECT 1 FROM place WHERE kind = 'file' AND file ->> 'stored' = ?", [$stored->name])) {
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
        $isThere = str_starts_with($name, self::UPLOADS.'/')
            ? $this->isKnown($name)
            : 1 === preg_match('/^[a-z0-9-]+\.svg$/D', $name) && is_file("{$this->folder}/pictures/$name");

        return $isThere ? $name : throw new Refused('picture', 'There is no such picture. Upload it as a file first, then choose it.');
    }

    private function isKnown(string $name): bool
    {
        return false !== $this->connection->fetchOne("SELECT 1 FROM place WHERE kind = 'file' AND file ->> 'stored' = ? AND file ->> 'type' LIKE 'image/%'", [$name]);
    }
}
