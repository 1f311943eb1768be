<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Doctrine\DBAL\Connection;
use Lantern\Core\Release\CopyName;
use Lantern\Interchange\Html\PageLinks;
use Lantern\Reading\Copies\PreviewToken;
use Lantern\Workbench\People\Previews;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * A second opinion: asks the rendered shop for every page, follows every link, button, picture, part, script and style on it, and
 * compares with what the link check has. It goes by a preview, for which nothing is kept, so no cache answers.
 */
final readonly class Crawl
{
    /** How long the preview lasts that it goes by, in seconds. */
    private const LASTS = 3600;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        #[Autowire(param: 'kernel.secret')] private string $secret,
        private Previews $previews,
        private LinkCheck $check,
        private ClockInterface $clock,
    ) {
    }

    /** @param \Closure(int): void|null $tell how many pages were read */
    public function walk(CopyName $copy, PageSource $source, ?\Closure $tell = null): CrawlReport
    {
        $this->check->catchUp();
        $key = 'crawl-'.bin2hex(random_bytes(12));
        $until = $this->clock->now()->modify('+'.self::LASTS.' seconds');
        $this->previews->openForCommand($key, $until);
        try {
            $report = $this->follow($copy, $source, (new PreviewToken($copy, false, null, $until, $key))->prefix($this->secret), $tell ?? static fn () => null);
        } finally {
            $this->previews->end($key);
        }
        $this->connection->executeStatement(
            'INSERT INTO journal.crawl VALUES (?, ?, ?, ?, ?, CAST(? AS jsonb)) ON CONFLICT (copy) DO UPDATE SET at = excluded.at, pages = excluded.pages, links = excluded.links, broken = excluded.broken, faults = excluded.faults',
            [$copy->value, $this->clock->now()->format(\DATE_ATOM), $report->pages, $report->links, \count($report->broken), json_encode(array_map(static fn (CrawlFault $one): string => $one->words(), $report->unknown()), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE)],
        );

        return $report;
    }

    /** @param \Closure(int): void $tell */
    private function follow(CopyName $copy, PageSource $source, string $prefix, \Closure $tell): CrawlReport
    {
        $pages = $this->pages($copy);
        /** @var array<string, array<string, true>> $from the pages that lead to each target, by the target */
        $from = array_fill_keys($pages, []);
        $status = $ids = $parts = [];
        $wanted = $pages;
        $read = 0;
        while ([] !== $wanted) {
            $next = [];
            // What belongs to the program itself, pictures and styles, is the same in a preview.
            foreach ($source->ask(array_map(static fn (string $path): string => str_starts_with($path, '/-/') ? $path : $prefix.$path, $wanted)) as $asked => $page) {
                $path = str_starts_with($asked, $prefix) ? substr($asked, \strlen($prefix)) : $asked;
                $status[$path] = $page->status;
                $found = null === $page->html ? null : PageLinks::of($page->html);
                if (null !== $page->location && $page->status >= 300 && $page->status < 400) {
                    $to = self::target($page->location, $path, $prefix);
                    if (null !== $to && !isset($from[$to[0]])) {
                        $next[$to[0]] = true;
                    }
                    if (null !== $to) {
                        $from[$to[0]][$path] = true;
                    }
                }
                if (null === $found || $page->status >= 400) {
                    continue;
                }
                $tell(++$read);
                $ids[$path] = array_fill_keys($found->ids, true);
                foreach ($found->links as $link) {
                    $to = self::target($link, $path, $prefix);
                    if (null === $to) {
                        continue;
                    }
                    [$target, $part] = $to;
                    if (!isset($from[$target])) {
                        $next[$target] = true;
                    }
                    $from[$target][$path] = true;
                    if ('' !== $part) {
                        $parts["$target#$part"][$path] = true;
                    }
                }
            }
            $wanted = array_map(strval(...), array_keys($next));
        }

        return new CrawlReport($read, \count($from), $this->judged($copy, $from, $status, $ids, $parts));
    }

    /** @return list<string> the addresses of all places that open, whether anything leads to them or not */
    private function pages(CopyName $copy): array
    {
        $schema = $copy->value;
        $paths = $this->connection->fetchFirstColumn("SELECT address FROM $schema.place WHERE light <> 'closed' AND audience <> 'customers' AND (opens_on IS NULL OR opens_on <= now()) AND (closes_on IS NULL OR closes_on > now()) ORDER BY address");

        return array_values(array_filter($paths, \is_string(...)));
    }

    /**
     * Where a link leads within the shop, without what narrows a list: that changes no answer. The later parts of a long list are
     * followed.
     *
     * @return array{string, string}|null path and part; null: it leads to somewhere else
     */
    private static function target(string $link, string $page, string $prefix): ?array
    {
        if (str_starts_with($link, '#')) {
            $part = rawurldecode(substr($link, 1));

            return '' === $part ? null : [$page, $part];
        }
        if (str_starts_with($link, '?')) {
            $link = $prefix.explode('?', $page, 2)[0].$link;
        }
        if (!str_starts_with($link, '/') || str_starts_with($link, '//')) {
            return null;
        }
        $path = str_starts_with($link, $prefix) ? substr($link, \strlen($prefix)) : $link;
        [$path, $part] = explode('#', $path, 2) + [1 => ''];
        [$path, $query] = explode('?', $path, 2) + [1 => ''];
        parse_str($query, $fields);
        $after = $fields['after'] ?? null;
        if (\is_string($after) && 1 === \count($fields)) {
            $path .= '?after='.rawurlencode($after);
        }

        return ['' === $path ? '/' : $path, rawurldecode($part)];
    }

    /**
     * @param array<string, array<string, true>> $from
     * @param array<string, int>                 $status
     * @param array<string, array<string, true>> $ids
     * @param array<string, array<string, true>> $parts
     *
     * @return list<CrawlFault>
     */
    private function judged(CopyName $copy, array $from, array $status, array $ids, array $parts): array
    {
        [$addresses, $knownParts] = $this->known($copy);
        $broken = [];
        foreach ($from as $target => $pages) {
            $answer = $status[$target] ?? 0;
            if ($answer >= 400 && 403 !== $answer || 0 === $answer) {
                // A page that nothing leads to is asked all the same: then it is told by itself.
                $broken[] = new CrawlFault((string) (array_key_first($pages) ?? $target), max(1, \count($pages)), (string) $target, $answer, isset($addresses[rawurldecode(explode('?', (string) $target, 2)[0])]));
            }
        }
        foreach ($parts as $target => $pages) {
            [$path, $part] = explode('#', (string) $target, 2);
            if (isset($ids[$path]) && !isset($ids[$path][$part])) {
                $broken[] = new CrawlFault((string) array_key_first($pages), \count($pages), (string) $target, 200, isset($knownParts[(string) $target]));
            }
        }

        return $broken;
    }

    /** @return array{array<string, true>, array<string, true>} addresses, and parts of addresses, that the link check has findings about */
    private function known(CopyName $copy): array
    {
        $schema = $copy->value;
        $addresses = $parts = [];
        foreach ($this->connection->fetchAllAssociative("SELECT f.details ->> 'address' AS address, f.details ->> 'typed' AS typed, p.address AS place, f.details ->> 'part' AS part, CASE WHEN f.subject_type = 'redirect' THEN f.name END AS source FROM journal.finding f LEFT JOIN $schema.place p ON p.id::text = f.details ->> 'place' WHERE f.copy = ?", [$schema]) as $row) {
            foreach (['address', 'typed', 'source'] as $column) {
                if (\is_string($row[$column])) {
                    $addresses[$row[$column]] = true;
                }
            }
            if (\is_string($row['place']) && \is_string($row['part'])) {
                $parts["{$row['place']}#{$row['part']}"] = true;
            }
        }

        return [$addresses, $parts];
    }
}
