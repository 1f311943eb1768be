<?php

declare(strict_types=1);

namespace Lantern\Node\News;

use Lantern\Node\Look\FirstLook;
use Lantern\Node\Memory\NodeMemory;

/**
 * Which release is live, asked of the database once a second at most, and what changed since it was asked before.
 * While the database is away, what was known last still holds: this node goes on serving it (RFC 9111, 4.2.4).
 */
final readonly class News
{
    /** For how long what was found is taken for true, in seconds; the node that published looks at once. */
    private const SEEN_AGAIN = 1;

    /** More rows than these in a release, and everything is taken to have changed. */
    private const MANY = 3000;

    private const LATEST = <<<'SQL'
        SELECT COALESCE((SELECT id::text || ' ' || number FROM journal.release ORDER BY number DESC
            LIMIT 1), ' 0') || ' ' || pg_snapshot_xmin(pg_current_snapshot())
        SQL;

    /**
     * The keys (see Freshness) of what releases changed. Lists are of other things, or in another order, only where one of some columns
     * differs.
     */
    private const CHANGED = <<<'SQL'
        WITH released AS (
            SELECT r.table_name, r.row_id, r.before, r.after, COALESCE(r.after, r.before) AS one, n.frame FROM journal.release n
                JOIN journal.release_row r ON r.release_id = n.id
            WHERE n.number > :from AND n.number <= :to AND r.table_name <> 'redirect' LIMIT :most
        ), listed AS (
            SELECT row_id, one ->> 'kind' AS kind, before ->> 'parent_id' AS was_below, after ->> 'parent_id' AS is_below FROM released
            WHERE table_name = 'place' AND (before IS NULL OR after IS NULL OR EXISTS (
                SELECT FROM unnest(ARRAY['kind', 'title', 'parent_id', 'position', 'light', 'opens_on', 'closes_on', 'audience',
                    'published_on', 'rule']) AS which WHERE before -> which IS DISTINCT FROM after -> which
            ))
        )
        SELECT 'p:' || row_id AS key FROM released WHERE table_name IN ('place', 'words')
        UNION SELECT 'p:' || (one ->> 'collection_id') FROM released WHERE table_name = 'pick'
        UNION SELECT 'p:' || (one ->> 'on_page') FROM released WHERE table_name = 'entry' AND one ->> 'on_page' IS NOT NULL
        UNION SELECT 'p:' || row_id FROM released WHERE table_name = 'menu' AND one ->> 'kind' = 'page'
        UNION SELECT 'l:' || was_below FROM listed WHERE was_below IS NOT NULL
        UNION SELECT 'l:' || is_below FROM listed WHERE is_below IS NOT NULL
        UNION SELECT CASE kind WHEN 'category' THEN 'l:categories' WHEN 'collection' THEN 'l:collections' WHEN 'article' THEN
            'l:articles' WHEN 'product' THEN 'l:products' ELSE 'l:others' END FROM listed
        UNION SELECT 'l:' || s.category_id FROM listed l JOIN catalogue.standing s ON s.product_id = l.row_id::uuid WHERE l.kind = 'product'
        UNION SELECT 'sitemap' FROM released WHERE table_name = 'place' AND (before IS NULL OR after IS NULL OR EXISTS (
            SELECT FROM unnest(ARRAY['address', 'listed', 'light', 'opens_on', 'closes_on', 'audience']) AS which
                WHERE before -> which IS DISTINCT FROM after -> which
        ))
        UNION SELECT 'frame' FROM journal.release n WHERE n.number > :from AND n.number <= :to AND n.frame
        UNION SELECT 'all' FROM released HAVING count(*) >= :most
        SQL;

    public function __construct(private FirstLook $look)
    {
    }

    /** The node that published looks again at once. */
    public static function expected(): void
    {
        if (NodeMemory::isThere()) {
            apcu_delete('news.seen');
        }
    }

    /** Whether the database did not answer, a moment ago. */
    public static function isAway(): bool
    {
        return NodeMemory::isThere() && true === apcu_fetch('news.away');
    }

    public static function away(): void
    {
        if (NodeMemory::isThere()) {
            apcu_store('news.away', true, self::SEEN_AGAIN);
        }
    }

    /** @return LiveVersion|null null where the database is away, and this node never saw it */
    public function latest(): ?LiveVersion
    {
        $known = apcu_fetch('news.latest');
        if (\is_string($known) && (self::isAway() || !apcu_add('news.seen', true, self::SEEN_AGAIN))) {
            return LiveVersion::parse($known);
        }
        try {
            $latest = $this->ask();
            // Noted before it is told, so that nobody takes the new release for seen while its changes are not.
            $this->note(\is_string($known) ? LiveVersion::parse($known) : null, $latest);
            apcu_store('news.latest', (string) $latest);

            return $latest;
        } catch (\PDOException) {
            self::away();

            return \is_string($known) ? LiveVersion::parse($known) : null;
        }
    }

    /** @throws \PDOException where the database is away */
    public function ask(): LiveVersion
    {
        return LiveVersion::parse($this->look->text(self::LATEST));
    }

    /**
     * What changed from one state to a later one.
     *
     * @return list<string>|null keys, see Freshness; null where nobody can tell, as after a restored backup
     *
     * @throws \PDOException where the database is away
     */
    public function between(LiveVersion $known, LiveVersion $now): ?array
    {
        if ($now->number < $known->number || $now->number === $known->number && $now->release !== $known->release) {
            return null;
        }
        $keys = $now->number === $known->number
            ? []
            : $this->look->texts(self::CHANGED, ['from' => $known->number, 'to' => $now->number, 'most' => self::MANY]);

        return [...$keys, ...$this->look->texts(<<<'SQL'
            SELECT DISTINCT key FROM catalogue.change WHERE tx >= CAST(:since AS xid8)
            SQL, ['since' => $known->horizon])];
    }

    private function note(?LiveVersion $known, LiveVersion $now): void
    {
        $keys = null === $known ? null : $this->between($known, $now);
        if (null === $keys) {
            Freshness::forget();
        } else {
            Freshness::changed($keys);
        }
    }
}
