<?php

declare(strict_types=1);

namespace Lantern\Workbench\Crawl;

use Doctrine\DBAL\Connection;
use Lantern\Core\Release\CopyName;
use Lantern\Core\Visitor;
use Lantern\Interchange\Html\PageLinks;
use Lantern\Reading\Places\PlaceConditions;
use Lantern\Reading\Previews\PreviewToken;
use Lantern\Workbench\Findings\LinkCheck;
use Lantern\Workbench\People\Previews;
use League\Uri\Exceptions\SyntaxError;
use League\Uri\Uri;
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
        #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl,
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
            $report = $this->follow(
                $copy,
                $source,
                (new PreviewToken($copy, false, null, $until, $key))->prefix($this->secret),
                $tell ?? static fn () => null,
            );
        } finally {
            $this->previews->end($key);
        }
        $this->connection->executeStatement(
            <<<'SQL'
                INSERT INTO journal.crawl VALUES (?, ?, ?, ?, ?, CAST(? AS jsonb)) ON CONFLICT (copy) DO UPDATE
                SET at = excluded.at, pages = excluded.pages, links = excluded.links, broken = excluded.broken, faults = excluded.faults
                SQL,
            [
                $copy->value,
                $this->clock->now()->format(\DATE_ATOM),
                $report->pages,
                $report->links,
                \count($report->broken),
                json_encode(
                    array_map(static fn (CrawlFault $one): string => $one->words(), $report->unknown()),
                    \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE,
                ),
            ],
        );

        return $report;
    }

    /** @param \Closure(int): void $tell */
    private function follow(CopyName $copy, PageSource $source, string $prefix, \Closure $tell): CrawlReport
    {
        $wanted = $this->pages($copy);
        $links = new CrawledLinks();
        $parts = new CrawledLinks();
        array_map($links->expect(...), $wanted);
        $status = $ids = [];
        $read = 0;
        while ([] !== $wanted) {
            $next = [];
            // What belongs to the program itself, pictures and styles, is the same in a preview.
            foreach ($source->ask(array_map(
                static fn (string $path): string => str_starts_with($path, '/-/') ? $path : $prefix.$path,
                $wanted,
            )) as $asked => $page) {
                $path = str_starts_with($asked, $prefix) ? substr($asked, \strlen($prefix)) : $asked;
                $status[$path] = $page->status;
                $found = null === $page->html ? null : PageLinks::of($page->html);
                $isRedirect = null !== $page->location && $page->status >= 300 && $page->status < 400;
                if (null !== $found && $page->status < 400) {
                    $tell(++$read);
                    $ids[$path] = array_fill_keys($found->ids, true);
                }
                $targets = $withParts = [];
                foreach ([...$isRedirect ? [(string) $page->location] : [], ...$page->status < 400 ? $found->links ?? [] : []] as $link) {
                    $to = $this->target($link, $path, $prefix);
                    if (null !== $to) {
                        $targets[$to[0]] = true;
                        $withParts += '' === $to[1] ? [] : ["$to[0]#$to[1]" => true];
                    }
                }
                foreach (array_keys($targets) as $target) {
                    $next += $links->knows((string) $target) ? [] : [$target => true];
                }
                $links->add($path, array_map(strval(...), array_keys($targets)));
                $parts->add($path, array_map(strval(...), array_keys($withParts)));
            }
            $wanted = array_map(strval(...), array_keys($next));
        }

        return new CrawlReport($read, \count($links->targets()), $this->judged($copy, $links, $status, $ids, $parts));
    }

    /** @return list<string> the addresses of all places that open, whether anything leads to them or not */
    private function pages(CopyName $copy): array
    {
        $schema = $copy->value;
        $paths = $this->connection->fetchFirstColumn(
            "SELECT p.address FROM $schema.place p WHERE ".PlaceConditions::OPENS.' ORDER BY p.address',
            PlaceConditions::visitor(Visitor::guest($this->clock->now())),
        );

        return array_values(array_filter($paths, \is_string(...)));
    }

    /**
     * Where a link leads within the shop, without what narrows a list: that changes no answer. The later parts of a long list are
     * followed.
     *
     * @return array{string, string}|null path and part; null: it leads to somewhere else
     */
    private function target(string $link, string $page, string $prefix): ?array
    {
        if (
            !str_starts_with($link, '#')
            && !str_starts_with($link, '?')
            && (!str_starts_with($link, '/') || str_starts_with($link, '//'))
        ) {
            // With the domain of the shop, or from where the page stands (RFC 3986, 5.2).
            try {
                $whole = Uri::new($this->storefrontUrl.(str_starts_with($page, '/-/') ? '' : $prefix).$page)->resolve($link);
            } catch (SyntaxError) {
                return null;
            }
            $own = Uri::new($this->storefrontUrl);
            if (
                !\in_array($whole->getScheme(), ['http', 'https'], true)
                || $whole->getHost() !== $own->getHost()
                || $whole->getPort() !== $own->getPort()
            ) {
                return null;
            }
            $link = ($whole->getPath() ?: '/').(null === $whole->getQuery() ? '' : "?{$whole->getQuery()}")
                .(null === $whole->getFragment() ? '' : "#{$whole->getFragment()}");
        }
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
     * @param array<string, int>                 $status
     * @param array<string, array<string, true>> $ids
     *
     * @return list<CrawlFault>
     */
    private function judged(CopyName $copy, CrawledLinks $links, array $status, array $ids, CrawledLinks $parts): array
    {
        [$addresses, $knownParts] = $this->known($copy);
        $broken = [];
        foreach ($links->targets() as $target) {
            $answer = $status[$target] ?? 0;
            if ($answer >= 400 && 403 !== $answer || 0 === $answer) {
                // A page that nothing leads to is asked all the same: then it is told by itself.
                $broken[] = new CrawlFault(
                    $links->firstTo($target),
                    $links->countTo($target),
                    $target,
                    $answer,
                    isset($addresses[rawurldecode(explode('?', $target, 2)[0])]),
                );
            }
        }
        foreach ($parts->targets() as $target) {
            [$path, $part] = explode('#', $target, 2);
            if (isset($ids[$path]) && !isset($ids[$path][$part])) {
                $broken[] = new CrawlFault($parts->firstTo($target), $parts->countTo($target), $target, 200, isset($knownParts[$target]));
            }
        }

        return $broken;
    }

    /** @return array{array<string, true>, array<string, true>} addresses, and parts of addresses, that the link check has findings about */
    private function known(CopyName $copy): array
    {
        $schema = $copy->value;
        $addresses = $parts = [];
        foreach ($this->connection->fetchAllAssociative(<<<SQL
            SELECT f.details ->> 'address' AS address, f.details ->> 'typed' AS typed, p.address AS place, f.details ->> 'part' AS part,
            CASE WHEN f.subject_type = 'redirect' THEN f.name END AS source FROM journal.finding f
            LEFT JOIN $schema.place p ON p.id::text = f.details ->> 'place' WHERE f.copy = ?
            SQL, [$schema]) as $row) {
            foreach (['address', 'typed', 'source'] as $column) {
                // Of a part that is missing the page itself is well.
                if (\is_string($row[$column]) && !\is_string($row['part'])) {
                    $addresses[$row[$column]] = true;
                }
            }
            if (\is_string($row['place']) && \is_string($row['part'])) {
                $parts["{$row['place']}#{$row['part']}"] = true;
            }
            if (\is_string($row['typed']) && \is_string($row['part'])) {
                $parts[explode('?', $row['typed'], 2)[0]."#{$row['part']}"] = true;
            }
        }

        return [$addresses, $parts];
    }
}
