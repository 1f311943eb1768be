-- A shop that has grown for years, beside the demo shop: 150,000 places of which 100,000 are products in 120,000 standings,
-- a group of 20,000 guides, 1,000,000 redirects, 5,000,000 rows of visits, a menu of 1,000 entries, 28,000 links that were typed.
-- It is written past the triggers that note edits, into both copies alike, so that nothing of it waits to be published.
\set ON_ERROR_STOP on
SET synchronous_commit = off;
SET maintenance_work_mem = '256MB';
SET max_parallel_maintenance_workers = 2;

CREATE FUNCTION pg_temp.id(about text, n bigint) RETURNS uuid LANGUAGE sql IMMUTABLE AS $$
    SELECT ('01930000-' || substr(h, 1, 4) || '-7' || substr(h, 5, 3) || '-8' || substr(h, 8, 3) || '-' || lpad(to_hex(n), 12, '0'))::uuid FROM md5(about) AS h
$$;
CREATE FUNCTION pg_temp.pick(n bigint, words text[]) RETURNS text LANGUAGE sql IMMUTABLE AS $$
    SELECT words[1 + (n % cardinality(words))::integer]
$$;
CREATE FUNCTION pg_temp.title(n bigint) RETURNS text LANGUAGE sql IMMUTABLE AS $$
    SELECT pg_temp.pick(n * 7919 / 13, '{Marbled,Combed,Plain,Stone,Waxed,Silver,Indigo,Madder,Walnut,Slate,Ivory,Copper,Moss,Amber,Chalk}')
        || ' ' || pg_temp.pick(n * 104729 / 17, '{linen,silk,hemp,cotton,flax,mulberry,rag,straw,wool,oak,beech,bone,brass,steel}')
        || ' ' || pg_temp.pick(n * 1299709 / 19, '{board,sheet,thread,cord,tape,folder,awl,needle,press,brush,paste,cloth,spine,knife,roll,punch}') || ' ' || n
$$;

SELECT format('ALTER TABLE %s DISABLE TRIGGER USER', t) FROM unnest('{workbench.place,workbench.redirect,workbench.menu,workbench.entry,workbench.bay,journal.visit,catalogue.product,catalogue.standing}'::text[]) AS t \gexec
ALTER TABLE workbench.words DISABLE TRIGGER touched;
ALTER TABLE live.place DISABLE TRIGGER USER;
-- Indexes of letters are quicker made over all than one by one.
CREATE TEMPORARY TABLE letters AS
SELECT format('%I.%I', schemaname, indexname) AS name, indexdef AS made FROM pg_indexes WHERE schemaname IN ('workbench', 'live') AND indexdef LIKE '%gin_trgm_ops%';
SELECT 'DROP INDEX ' || string_agg(name, ', ') FROM letters \gexec

-- 420 categories in two levels; 10 of them hold 70 products each, the rest the others.
INSERT INTO workbench.place (id, kind, title, address, position)
SELECT pg_temp.id('category', n), 'category', 'Workshop ' || n, '/workshop-' || n, 100 + n FROM generate_series(1, 20) n;
INSERT INTO workbench.place (id, kind, title, address, parent_id, position)
SELECT pg_temp.id('category', n), 'category', 'Shelf ' || n, '/workshop-' || 1 + n % 20 || '/shelf-' || n, pg_temp.id('category', 1 + n % 20), n FROM generate_series(21, 420) n;

INSERT INTO workbench.place (id, kind, title, address, summary, changed_at)
SELECT pg_temp.id('product', n), 'product', pg_temp.title(n), '/products/scale-' || n, 'Made in small lots, number ' || n || '.', timestamptz '2025-01-01' + n * interval '7 minutes'
FROM generate_series(1, 100000) n;
INSERT INTO catalogue.product (id, sku, price, reduced_from, stock, weight, maker, tags, options, new_since, featured)
SELECT pg_temp.id('product', n), 'SC-' || n, 100 + n * 37 % 20000, CASE WHEN n % 20 = 0 THEN 30000 END, n % 50, 10 + n % 900, 'Maker ' || n % 200,
    ARRAY['tag-' || n % 300, 'lot-' || n % 7], '{"Size": ["small", "large"]}', date '2024-01-01' + (n % 900)::integer, n % 1000 = 0
FROM generate_series(1, 100000) n;
-- 1.2 standings a product; shelves 411 to 420 hold seventy each.
INSERT INTO catalogue.standing (category_id, product_id, position)
SELECT pg_temp.id('category', CASE WHEN n <= 700 THEN 411 + n % 10 ELSE 21 + n % 390 END), pg_temp.id('product', n), n FROM generate_series(1, 100000) n
UNION SELECT pg_temp.id('category', 21 + (n + 7) % 390), pg_temp.id('product', n), n FROM generate_series(701, 100000) n WHERE n % 5 = 0;

INSERT INTO workbench.place (id, kind, title, address, position) VALUES (pg_temp.id('group', 1), 'page-group', 'Guides of the workshop', '/guides', 50);
INSERT INTO workbench.place (id, kind, title, address, parent_id, position, summary)
SELECT pg_temp.id('page', n), 'page', 'Guide to ' || lower(pg_temp.title(n)), '/guides/guide-' || n, pg_temp.id('group', 1), n, 'What the bench taught us.' FROM generate_series(1, 20000) n;
INSERT INTO workbench.place (id, kind, title, address, parent_id, published_on, light, summary, changed_at)
SELECT pg_temp.id('article', n), 'article', 'Notes on ' || lower(pg_temp.title(n)), '/journal/note-' || n, (SELECT id FROM workbench.place WHERE kind = 'journal'), date '2016-01-01' + (n % 3600)::integer,
    CASE WHEN n % 100 = 0 THEN 'quiet' WHEN n % 40 = 0 THEN 'closed' ELSE 'open' END, 'From the bench.', timestamptz '2020-01-01' + n * interval '1 hour'
FROM generate_series(1, 29358) n;

INSERT INTO workbench.words (id, html)
SELECT pg_temp.id('article', n), '<p>See ' || string_agg('<a href="/products/scale-' || 1 + (n * 4 + k) * 31 % 100000 || '">this</a>', ' and ' ORDER BY k) || '.</p>'
FROM generate_series(1, 7000) n, generate_series(1, 4) k GROUP BY n;

INSERT INTO workbench.redirect (id, source, is_prefix, goal_place_id, goal_address, goal_outside, status, origin, note)
SELECT pg_temp.id('redirect', n), '/old/' || n || '-an-old-address-of-this-shop.html', n % 1000 = 0,
    CASE WHEN n % 10 < 8 THEN pg_temp.id('product', 1 + n % 100000) END,
    CASE WHEN n % 10 = 8 THEN '/products/scale-' || 1 + n % 100000 END,
    CASE WHEN n % 20 = 9 THEN 'https://elsewhere.example/' || n END,
    CASE WHEN n % 20 = 19 THEN 410 ELSE 301 END, 'file', CASE WHEN n % 5000 = 0 THEN 'kept for the calendar of ' || n ELSE '' END
FROM generate_series(1, 1000000) n;

INSERT INTO workbench.menu (id, name, position) VALUES (pg_temp.id('menu', 1), 'The whole workshop', 50);
INSERT INTO workbench.entry (id, menu_id, parent_id, position, label, target_kind, place_id)
SELECT pg_temp.id('entry', n), pg_temp.id('menu', 1), CASE WHEN n <= 10 THEN NULL WHEN n <= 110 THEN pg_temp.id('entry', 1 + n % 10) ELSE pg_temp.id('entry', 11 + n % 100) END, n / 10,
    'Way ' || n, 'place', pg_temp.id('product', n) FROM generate_series(1, 1000) n;
UPDATE workbench.bay SET menu_id = pg_temp.id('menu', 1), heading = 'All of it' WHERE id = 'footer-3';

INSERT INTO live.place SELECT * FROM workbench.place w WHERE NOT EXISTS (SELECT FROM live.place l WHERE l.id = w.id);
INSERT INTO live.words SELECT * FROM workbench.words w WHERE NOT EXISTS (SELECT FROM live.words l WHERE l.id = w.id);
INSERT INTO live.redirect SELECT * FROM workbench.redirect w WHERE NOT EXISTS (SELECT FROM live.redirect l WHERE l.id = w.id);
INSERT INTO live.menu SELECT * FROM workbench.menu w WHERE NOT EXISTS (SELECT FROM live.menu l WHERE l.id = w.id);
INSERT INTO live.entry SELECT * FROM workbench.entry w WHERE NOT EXISTS (SELECT FROM live.entry l WHERE l.id = w.id);
UPDATE live.bay SET menu_id = pg_temp.id('menu', 1), heading = 'All of it' WHERE id = 'footer-3';

-- Thirty days of visits at every address of 100,000, and at 66,667 old ones.
INSERT INTO journal.visit (address, day, count)
SELECT '/products/scale-' || n, CURRENT_DATE - d, 1 + n % 9 FROM generate_series(1, 100000) n, generate_series(0, 29) d
UNION ALL SELECT '/old/' || n * 15 || '-an-old-address-of-this-shop.html', CURRENT_DATE - d, 1 FROM generate_series(1, 66667) n, generate_series(0, 29) d;

SELECT made FROM letters \gexec
SELECT format('ALTER TABLE %s ENABLE TRIGGER USER', t) FROM unnest('{workbench.place,workbench.redirect,workbench.words,workbench.menu,workbench.entry,workbench.bay,journal.visit,catalogue.product,catalogue.standing}'::text[]) AS t \gexec
-- What the triggers would have noted besides edits.
INSERT INTO journal.visited SELECT address, max(day) FROM journal.visit GROUP BY address ON CONFLICT DO NOTHING;
DELETE FROM journal.redirect_mark;
INSERT INTO journal.redirect_mark SELECT * FROM journal.redirect_mark_now;
INSERT INTO journal.redirect_tally VALUES (1000000);
SELECT catalogue.rebuild_postings();
ALTER TABLE live.place ENABLE TRIGGER USER;
SELECT live.write_search_words(ARRAY(SELECT id FROM live.place));
SELECT workbench.write_search_words(ARRAY(SELECT id FROM workbench.place));
ANALYZE;
