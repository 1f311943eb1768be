<?php

declare(strict_types=1);

namespace Lantern\Reading\Copies;

use Doctrine\DBAL\Connection;
use Lantern\Core\Release\CopyName;
use Lantern\Reading\Sql\Row;

/**
 * What changes with everything that could change what is made of a copy, so that it may be kept under it. On live that is a
 * release, and the product system; on the workbench every edit, kept or not: what was seen within one that was taken back is
 * never seen again.
 */
final class VersionReader
{
    private const GOODS = "'.' || COALESCE((SELECT max(tx)::text FROM catalogue.change), '') || '.' || (SELECT count(*) FROM "
        ."catalogue.change WHERE at > journal.moment() - interval '10 minutes')";
    private const EDITS = "(SELECT '.' || count(*) || '.' || COALESCE(sum(at), 0) || '.' || COALESCE(max(at), 0) FROM journal.touched)";

    /** Within one state that is read it is asked for once. */
    private bool $remembers = false;
    /** @var array{frame: string, content: string, header: string, footer: string}|null */
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

    /**
     * Of the menus around every page: the last release that touched one of them or what it leads to, and the goods where menus show some.
     */
    public function frame(): string
    {
        return $this->read()['frame'];
    }

    /**
     * Of a part of the frame, as Publisher has noted what each release touched.
     *
     * @param 'header'|'footer' $part
     */
    public function part(string $part): string
    {
        return $this->read()[$part];
    }

    /** Of whatever stands on a page. */
    public function content(): string
    {
        return $this->read()['content'];
    }

    /** @return array{frame: string, content: string, header: string, footer: string} */
    private function read(): array
    {
        if (null !== $this->known) {
            return $this->known;
        }
        $isWorkbench = CopyName::Workbench === $this->name;
        $latest = static fn (
            string $which,
        ): string => "COALESCE((SELECT id::text FROM journal.release $which ORDER BY number DESC LIMIT 1), '')";
        $touched = static fn (string $parts): string => $latest($isWorkbench ? '' : "WHERE frame_parts && ARRAY[$parts]");
        $edits = $isWorkbench ? ' || '.self::EDITS : '';
        $row = new Row($this->connection->fetchAssociative(\sprintf(
            <<<'SQL'
                WITH goods AS MATERIALIZED (
                    SELECT %s AS all, CASE WHEN EXISTS (
                        SELECT FROM entry WHERE on_page IS NULL AND (filling IS NOT NULL OR piece ->> 'kind' IN ('products', 'product'))
                    ) THEN %s ELSE '' END AS shown
                )
                SELECT %s || goods.all AS content, %s || goods.shown AS frame, %s || goods.shown AS header, %s || goods.shown AS footer
                FROM goods
                SQL,
            self::GOODS,
            self::GOODS,
            $latest('').$edits,
            $touched("'header', 'footer', 'beside'").$edits,
            $touched("'header'").$edits,
            $touched("'footer'").$edits,
        )) ?: []);
        $read = [
            'frame' => $row->text('frame'),
            'content' => $row->text('content'),
            'header' => $row->text('header'),
            'footer' => $row->text('footer'),
        ];
        if ($this->remembers) {
            $this->known = $read;
        }

        return $read;
    }
}
