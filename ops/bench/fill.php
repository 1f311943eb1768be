<?php

declare(strict_types=1);

// Puts a number of redirects on live, to places of the shop, past the workbench: what a long life leaves behind.

require dirname(__DIR__, 2).'/src/boot.php';

lantern_environment();
$kernel = lantern_kernel('admin');
$kernel->boot();
/** @var Doctrine\DBAL\Connection $connection */
$connection = $kernel->getContainer()->get('doctrine.dbal.live_connection');
$connection->executeStatement("DELETE FROM live.redirect WHERE source LIKE '/bench/%'");
$connection->executeStatement(<<<'SQL'
    INSERT INTO live.redirect (id, source, is_prefix, goal_place_id, status, origin)
    SELECT gen_random_uuid(), '/bench/' || n || '-an-old-address-of-this-shop.html', false, p.id, 301, 'file'
    FROM generate_series(1, CAST(:count AS integer)) n
    JOIN (SELECT id, row_number() OVER (ORDER BY id) - 1 AS nth, count(*) OVER () AS of FROM live.place
        WHERE light = 'open') p ON p.nth = n % p.of
    SQL, ['count' => (int) $argv[1]]);
// Nodes look again at what is published, and find the table so different that they make it anew.
$connection->executeStatement(<<<'SQL'
    INSERT INTO journal.release (id, number, released_by, summary)
    SELECT gen_random_uuid(), max(number) + 1, 'bin/bench', 'redirects to measure with' FROM journal.release
    SQL);
$connection->executeStatement(<<<'SQL'
    INSERT INTO journal.release_row SELECT n.id, 'redirect', r.id::text, NULL, jsonb_build_object('source', r.source)
    FROM journal.release n, live.redirect r WHERE n.number = (SELECT max(number) FROM journal.release) AND r.source LIKE '/bench/%'
    SQL);
$connection->executeStatement('VACUUM ANALYZE live.redirect');
echo $connection->fetchOne('SELECT id FROM journal.release ORDER BY number DESC LIMIT 1');
