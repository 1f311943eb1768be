<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\Connection;
use Lantern\Core\Place\FileType;
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
     * @param string $path where the upload lies for now
     * @param string $name as its sender calls it
     *
     * @throws Refused where its type or its size is not allowed
     */
    public function keep(string $path, string $name): StoredFile
    {
        $found = (new \finfo(\FILEINFO_MIME_TYPE))->file($path);
        $type = FileType::ofUpload($name, \is_string($found) ? $found : 'application/octet-stream', (int) filesize($path));
        if ($type->isPicture() && false === getimagesize($path)) {
            throw new Refused('file', "“{$name}” cannot be read as a picture. Save it anew, then upload it again.");
        }
        $stored = self::UPLOADS.'/'.hash_file('sha256', $path).'.'.$type->extensions()[0];
        $target = "{$this->folder}/$stored";
        if (!is_file($target)) {
            (new Filesystem())->copy($path, $target);
            chmod($target, 0o644);
        }

        return new StoredFile($stored, $type, (int) filesize($target));
    }

    /**
     * A picture that may be shown beside a place: one of the shop's drawn ones, or an uploaded file.
     *
     * @throws Refused where there is none of this name
     */
    public function knownPicture(string $name): string
    {
        $isThere = str_starts_with($name, self::UPLOADS.'/')
            ? false !== $this->connection->fetchOne("SELECT 1 FROM place WHERE kind = 'file' AND file->>'stored' = ? AND file->>'type' LIKE 'image/%'", [$name])
            : 1 === preg_match('/^[a-z0-9-]+\.svg$/', $name) && is_file("{$this->folder}/pictures/$name");

        return $isThere ? $name : throw new Refused('picture', 'There is no such picture. Upload it as a file first, then choose it.');
    }
}
