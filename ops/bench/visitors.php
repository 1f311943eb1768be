<?php

declare(strict_types=1);

/*
 * Two hundred visitors who look at 26 pages for some seconds, each asking for the next as soon as one is there; with
 * `publish`, a release each second that changes the notice above every page and the title of each of these pages to the
 * same number. Prints answers a second, and how many were errors or of two releases at once.
 */

require dirname(__DIR__, 2).'/src/boot.php';

lantern_environment();
$shop = lantern_variable('LANTERN_STOREFRONT_URL', '');
$seconds = (int) ($argv[1] ?? 10);
$isPublishing = 'publish' === ($argv[2] ?? '');
$visitors = 200;

$parts = parse_url(lantern_variable('DATABASE_URL', ''));
$connect = static fn (): PDO => new PDO(
    Lantern\Node\Look\FirstLook::dsn(lantern_variable('DATABASE_URL', '')),
    rawurldecode($parts['user'] ?? ''),
    rawurldecode($parts['pass'] ?? ''),
    [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION],
);
$places = $connect()->query(<<<'SQL'
    SELECT id, address FROM live.place WHERE kind IN ('category', 'page') AND light = 'open' AND audience = 'everyone'
    AND opens_on IS NULL AND closes_on IS NULL AND address NOT LIKE '/guides/%' AND address NOT LIKE '/workshop-%/%' ORDER BY address
    LIMIT 26
    SQL)->fetchAll(PDO::FETCH_KEY_PAIR);

if ($isPublishing) {
    // Somebody who publishes as long as visitors come, in a process of its own.
    $publisher = proc_open(
        [\PHP_BINARY, __DIR__.'/publish-each-second.php', (string) $seconds, implode(',', array_keys($places))],
        [2 => \STDERR],
        $pipes,
    );
    usleep(1_500_000);
}
$urls = array_map(static fn (string $address): string => $shop.$address, array_values($places));
$all = curl_multi_init();
curl_multi_setopt($all, \CURLMOPT_MAX_HOST_CONNECTIONS, $visitors);
$begin = static function () use ($all, $urls): void {
    $one = curl_init($urls[array_rand($urls)]);
    curl_setopt_array($one, [\CURLOPT_RETURNTRANSFER => true, \CURLOPT_TIMEOUT => 30]);
    curl_multi_add_handle($all, $one);
};
for ($n = 0; $n < $visitors; ++$n) {
    $begin();
}
$answers = $errors = $mixed = $numbered = 0;
$times = $codes = [];
$started = hrtime(true);
$end = $started + $seconds * 1e9;
do {
    curl_multi_exec($all, $running);
    while ($done = curl_multi_info_read($all)) {
        $one = $done['handle'];
        ++$answers;
        $times[] = curl_getinfo($one, \CURLINFO_TOTAL_TIME);
        $code = curl_getinfo($one, \CURLINFO_RESPONSE_CODE);
        if (200 !== $code) {
            ++$errors;
            $codes[$code] = ($codes[$code] ?? 0) + 1;
        } elseif ($isPublishing) {
            $body = (string) curl_multi_getcontent($one);
            preg_match('/Round (\d+) of the bench/', $body, $notice);
            preg_match('~<h1[^>]*>[^<]*\(round (\d+)\)~', $body, $title);
            $numbered += isset($notice[1]) ? 1 : 0;
            if (($notice[1] ?? null) !== ($title[1] ?? null)) {
                ++$mixed;
            }
        }
        curl_multi_remove_handle($all, $one);
        curl_close($one);
        if (hrtime(true) < $end) {
            $begin();
        }
    }
    curl_multi_select($all, 0.05);
} while ($running > 0 || hrtime(true) < $end);
sort($times);
printf(
    "%d answers, %.0f a second; median %.0f ms, 99 %% under %.0f ms, longest %.0f ms; %d errors%s; %d of two releases%s\n",
    $answers,
    $answers / ((hrtime(true) - $started) / 1e9),
    1000 * $times[intdiv($answers, 2)],
    1000 * $times[(int) ($answers * 0.99)],
    1000 * end($times),
    $errors,
    [] === $codes ? '' : ' ('.json_encode($codes).')',
    $mixed,
    $isPublishing ? " (of $numbered that tell their release)" : '',
);
if ($isPublishing) {
    proc_close($publisher);
}
exit(0 === $errors + $mixed ? 0 : 3);
