-- A shop to be looked over, beside the demo shop: 50,000 places, 20,000 texts with ten links each, 1,000 entries in ten menus, and
-- 100,000 redirects. One link in fifty is broken or typed, one redirect in two hundred leads nowhere.
\set ON_ERROR_STOP on
SET synchronous_commit = off;

CREATE FUNCTION pg_temp.id(about text, n bigint) RETURNS uuid LANGUAGE sql IMMUTABLE AS $$
    SELECT ('01930000-' || substr(h, 1, 4) || '-7' || substr(h, 5, 3) || '-8' || substr(h, 8, 3) || '-' || lpad(to_hex(n), 12, '0'))::uuid FROM md5(about) AS h
$$;
SELECT format('ALTER TABLE %s DISABLE TRIGGER USER', t) FROM unnest('{workbench.place,workbench.words,workbench.redirect,workbench.menu,workbench.entry,live.place,live.words,live.redirect,live.menu,live.entry,journal.visit}'::text[]) AS t \gexec

INSERT INTO workbench.place (id, kind, title, address, parent_id, summary, light, published_on)
SELECT pg_temp.id('article', n), 'article', 'Note ' || n, '/journal/note-' || n, (SELECT id FROM workbench.place WHERE kind = 'journal'), 'From the bench.', CASE WHEN n % 200 = 0 THEN 'closed' ELSE 'open' END, date '2020-01-01' + (n % 2000)::integer FROM generate_series(1, 20000) n;
INSERT INTO workbench.place (id, kind, title, address, summary) SELECT pg_temp.id('page', n), 'page', 'Page ' || n, '/page-' || n, 'A page.' FROM generate_series(1, 10000) n;
INSERT INTO workbench.place (id, kind, title, address, summary) SELECT pg_temp.id('product', n), 'product', 'Thing ' || n, '/products/thing-' || n, 'A thing.' FROM generate_series(1, 20000) n;
INSERT INTO catalogue.product (id, sku, price, stock, weight, maker, tags, options, new_since, featured)
SELECT pg_temp.id('product', n), 'F-' || n, 100, 5, 10, 'Maker', '{}', '{}', date '2024-01-01', false FROM generate_series(1, 20000) n;
INSERT INTO workbench.words (id, html)
SELECT pg_temp.id('article', n), '<p>See ' || string_agg('<a href="' || CASE
        WHEN (n * 10 + k) % 50 = 0 THEN CASE (n + k) % 3 WHEN 0 THEN '/nothing/' || n WHEN 1 THEN '/old/' || n ELSE '/page-' || n % 10000 + 1 END
        WHEN (n * 10 + k) % 500 = 1 THEN 'https://site-' || n % 100 || '.example/' || k
        ELSE 'place:' || CASE k % 3 WHEN 0 THEN pg_temp.id('article', (n * 31 + k) % 20000 + 1) WHEN 1 THEN pg_temp.id('product', (n * 17 + k) % 20000 + 1) ELSE pg_temp.id('page', (n * 7 + k) % 10000 + 1) END
    END || '">this</a>', ' and ' ORDER BY k) || '.</p>'
FROM generate_series(1, 20000) n, generate_series(1, 10) k GROUP BY n;
INSERT INTO workbench.redirect (id, source, goal_place_id, goal_address, status, created_at)
SELECT pg_temp.id('redirect', n), '/old/' || n, CASE WHEN n % 200 <> 0 THEN pg_temp.id('product', n % 20000 + 1) END, CASE WHEN n % 200 = 0 THEN '/nothing/' || n END, 301, now() - interval '100 days' FROM generate_series(1, 100000) n;
INSERT INTO workbench.menu (id, name, position) SELECT pg_temp.id('menu', m), 'Menu ' || m, 50 + m FROM generate_series(1, 10) m;
INSERT INTO workbench.entry (id, menu_id, position, target_kind, place_id) SELECT pg_temp.id('entry', n), pg_temp.id('menu', 1 + n % 10), n, 'place', pg_temp.id('page', n) FROM generate_series(1, 1000) n;
SELECT format('INSERT INTO live.%1$s SELECT * FROM workbench.%1$s w WHERE NOT EXISTS (SELECT FROM live.%1$s l WHERE l.id = w.id)', t) FROM unnest('{place,words,redirect,menu,entry}'::text[]) AS t \gexec
INSERT INTO journal.visit SELECT address, CURRENT_DATE - d, 1 + abs(hashtext(address)) % 9 FROM workbench.place, generate_series(1, 5) d WHERE address LIKE '/page-%' OR address LIKE '/journal/note-%' ON CONFLICT DO NOTHING;
INSERT INTO journal.text_mention (source_id, nth, form, place_id, address, part, piece_id)
SELECT w.id, m.nth, 'link', NULLIF(m.found[1], '')::uuid, NULLIF(m.found[2], ''), '', w.id FROM workbench.words w, LATERAL regexp_matches(w.html, 'href="(?:place:([0-9a-f-]{36})|(/[^"]*))"', 'g') WITH ORDINALITY AS m (found, nth) WHERE w.html LIKE '<p>See %' ON CONFLICT DO NOTHING;
SELECT format('ALTER TABLE %s ENABLE TRIGGER USER', t) FROM unnest('{workbench.place,workbench.words,workbench.redirect,workbench.menu,workbench.entry,live.place,live.words,live.redirect,live.menu,live.entry,journal.visit}'::text[]) AS t \gexec
DELETE FROM journal.due;
