<?php

declare(strict_types=1);

namespace Lantern\Reading\Copies;

use Doctrine\DBAL\Connection;
use Lantern\Core\Release\CopyName;

/**
 * What changes with everything that could change what is made of a copy, so that it may be kept under it. On live that is a
 * release, and the product system; on the workbench every edit, kept or not: what was seen within one that was taken back is
 * never seen again.
 */
final class VersionReader
{
    private const GOODS = "'.' || COALESCE((SELECT max(tx)::text FROM catalogue.change), '') || '.' || (SELECT count(*) FROM catalogue.change WHERE at > now() - interval '10 minutes')";
    private const EDITS = "(SELECT '.' || count(*) || '.' || COALESCE(sum(at), 0) || '.' || COALESCE(max(at), 0) FROM journal.touched)";

    /** Within one state that is read it is asked for once. */
    private bool $remembers = false;
    /** @var array{frame: string, content: string}|null */
    private ?array $known = null;

    public function __construct(private readonly CopyName $name, private readonly Connection $connection)
    {
    }

    public function remember(): void
    {
        $this->remembers = true;
        $this->known = null;
    }

    public function forget(): void
    {
        $this->remembers = false;
        $this->known = null;
    }

    /** Of what stands around every page: the last release that touched menus or what they lead to, and the goods where menus show some. */
    public function frame(): string
    {
        return $this->read()['frame'];
    }

    /** Of whatever stands on a page. */
    public function content(): string
    {
        return $this->read()['content'];
    }

    /** @return array{frame: string, content: string} */
    private function read(): array
    {
        if (null !== $this->known) {
            return $this->known;
        }
        $release = "COALESCE((SELECT id::text FROM journal.release %s ORDER BY number DESC LIMIT 1), '')";
        $edits = CopyName::Workbench === $this->name ? ' || '.self::EDITS : '';
        $row = new Row($this->connection->fetchAssociative(\sprintf(
            'SELECT %s AS content, %s || CASE WHEN EXISTS (%s) THEN %s ELSE \'\' END AS frame',
            \sprintf($release, '').$edits.' || '.self::GOODS,
            \sprintf($release, CopyName::Workbench === $this->name ? '' : 'WHERE frame').$edits,
            "SELECT FROM entry WHERE on_page IS NULL AND (filling IS NOT NULL OR piece ->> 'kind' IN ('products', 'product'))",
            self::GOODS,
        )) ?: []);
        $read = ['frame' => $row->text('frame'), 'content' => $row->text('content')];
        if ($this->remembers) {
            $this->known = $read;
        }

        return $read;
    }
}
