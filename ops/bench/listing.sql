-- A shop to narrow: 100,000 products in 400 categories, of 60 makers, with 12 options and 300,000 values of them.
-- It is written past the triggers, into both copies alike; what they keep is made at the end in one go.
\set ON_ERROR_STOP on
SET synchronous_commit = off;

CREATE FUNCTION pg_temp.id(about text, n bigint) RETURNS uuid LANGUAGE sql IMMUTABLE AS $$
    SELECT ('01930000-' || substr(h, 1, 4) || '-7' || substr(h, 5, 3) || '-8' || substr(h, 8, 3) || '-' || lpad(to_hex(n), 12, '0'))::uuid FROM md5(about) AS h
$$;
CREATE FUNCTION pg_temp.pick(n bigint, words text[]) RETURNS text LANGUAGE sql IMMUTABLE AS $$
    SELECT words[1 + (n % cardinality(words))::integer]
$$;
-- Numbers that follow from others as if by chance, the same each time.
CREATE FUNCTION pg_temp.chance(n bigint, salt bigint, below bigint) RETURNS bigint LANGUAGE sql IMMUTABLE AS $$
    SELECT abs(hashint8(n * 64 + salt)::bigint) % below
$$;

SELECT format('ALTER TABLE %s DISABLE TRIGGER USER', t) FROM unnest('{workbench.place,live.place,workbench.setting,catalogue.product,catalogue.standing}'::text[]) AS t \gexec
INSERT INTO workbench.place (id, kind, title, address, position)
SELECT pg_temp.id('category', n), 'category', 'Workshop ' || n, '/workshop-' || n, 100 + n FROM generate_series(1, 20) n;
INSERT INTO workbench.place (id, kind, title, address, parent_id, position)
SELECT pg_temp.id('category', n), 'category', 'Shelf ' || n, '/workshop-' || 1 + n % 20 || '/shelf-' || n, pg_temp.id('category', 1 + n % 20), n FROM generate_series(21, 400) n;
INSERT INTO workbench.place (id, kind, title, address, summary, light)
SELECT pg_temp.id('product', n), 'product',
    pg_temp.pick(pg_temp.chance(n, 1, 1000), '{Marbled,Combed,Plain,Stone,Waxed,Silver,Indigo,Madder,Walnut,Slate,Ivory,Copper,Moss,Amber,Chalk}') || ' '
    || pg_temp.pick(pg_temp.chance(n, 2, 1000), '{linen,silk,hemp,cotton,flax,mulberry,rag,straw,wool,oak,beech,bone,brass,steel}') || ' '
    || pg_temp.pick(pg_temp.chance(n, 3, 1000), '{board,sheet,thread,cord,tape,folder,awl,needle,press,brush,paste,cloth,spine,knife,roll,punch}') || ' ' || n,
    '/products/listed-' || n, 'Made in small lots, number ' || n || '.', CASE WHEN n % 50 = 0 THEN 'quiet' ELSE 'open' END
FROM generate_series(1, 100000) n;
-- Three options of twelve for each product, each with one of twenty-five values.
INSERT INTO catalogue.product (id, sku, price, reduced_from, stock, weight, maker, tags, options, new_since)
SELECT pg_temp.id('product', n), 'LI-' || n, 100 + pg_temp.chance(n, 4, 20000), CASE WHEN n % 20 = 0 THEN 30000 END, pg_temp.chance(n, 5, 12), 10, 'Maker ' || 1 + pg_temp.chance(n, 6, 60),
    ARRAY['tag-' || pg_temp.chance(n, 7, 30), 'lot-' || n % 7],
    (SELECT jsonb_object_agg('Option ' || 1 + (n + k * 4) % 12, jsonb_build_array('value ' || 1 + pg_temp.chance(n, 10 + k, 25))) FROM generate_series(0, 2) k),
    date '2024-01-01' + (n % 900)::integer
FROM generate_series(1, 100000) n;
INSERT INTO catalogue.standing (category_id, product_id, position) SELECT pg_temp.id('category', 21 + pg_temp.chance(n, 8, 380)), pg_temp.id('product', n), n FROM generate_series(1, 100000) n;
INSERT INTO live.place SELECT * FROM workbench.place w WHERE NOT EXISTS (SELECT FROM live.place l WHERE l.id = w.id);
INSERT INTO workbench.setting VALUES ('filters', to_jsonb((SELECT jsonb_agg(key ORDER BY nth)::text FROM (SELECT * FROM unnest('{in-stock,price,category,maker,tag}'::text[]) WITH ORDINALITY AS a (key, nth) UNION ALL SELECT 'option.Option ' || n, 10 + n FROM generate_series(1, 12) n) all_of_them)));
INSERT INTO live.setting SELECT * FROM workbench.setting WHERE id = 'filters';
SELECT format('ALTER TABLE %s ENABLE TRIGGER USER', t) FROM unnest('{workbench.place,live.place,workbench.setting,catalogue.product,catalogue.standing}'::text[]) AS t \gexec
SELECT catalogue.rebuild_postings();
SELECT workbench.write_search_words(ARRAY(SELECT id FROM workbench.place));
SELECT live.write_search_words(ARRAY(SELECT id FROM live.place));
