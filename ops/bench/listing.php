<?php

declare(strict_types=1);

// Asks for narrowed listings and searches by chance, one after the other on one connection, then by wrk on four.
// Usage: php ops/bench/listing.php <path that files of addresses begin with>

$shop = getenv('LANTERN_STOREFRONT_URL');
if (!is_string($shop) || !isset($argv[1])) {
    fwrite(\STDERR, "This is run by bin/bench listing.\n");
    exit(1);
}
mt_srand(7);
$one = static fn (array $of) => $of[mt_rand(0, count($of) - 1)];
$chosen = static function () use ($one): string {
    $pairs = [];
    for ($n = mt_rand(1, 4); $n > 0; --$n) {
        $pairs = [...$pairs, ...$one([
            static fn (): array => array_map(static fn (): string => 'maker=Maker+'.mt_rand(1, 60), range(1, mt_rand(1, 3))),
            static fn (): array => [
                'option.Option+'.($option = mt_rand(1, 12)).'=value+'.mt_rand(1, 25),
                "option.Option+$option=value+".mt_rand(1, 25),
            ],
            static fn (): array => ['tag=tag-'.mt_rand(0, 29)],
            static fn (): array => ['price-from='.($from = mt_rand(1, 150)), 'price-to='.($from + mt_rand(5, 60))],
            static fn (): array => ['in-stock=yes'],
        ])()];
    }

    return implode('&', $pairs).$one(['', '', '&sort=price', '&sort=name', '&sort=newest', '&sort=price-down']);
};
$place = static fn (): string => $one([
    '/products',
    '/workshop-'.mt_rand(1, 20),
    '/workshop-'.(1 + ($shelf = mt_rand(21, 400)) % 20)."/shelf-$shelf",
]);
$words = static fn (): string => implode(
    '+',
    array_filter([
        $one(['Marbled', 'Combed', 'Waxed', 'Silver', 'Indgo', 'Slate', 'Copper', '']),
        $one(['linen', 'linnen', 'silk', 'hemp', 'cotton', 'muberry', 'oak', 'brass']),
        $one(['thread', 'thred', 'boa', 'sheet', 'knife', '']),
    ]),
);
$kinds = [
    'a narrowed page, all counts' => [static fn (): string => $place().'?'.$chosen(), 120, 60],
    'the same, of all products only' => [static fn (): string => '/products?'.$chosen(), 120, null],
    'a search, with counts' => [static fn (): string => '/search?q='.$words(), 150, null],
    'a search, narrowed' => [static fn (): string => '/search?q='.$words().'&'.$chosen(), 150, null],
    'suggestions' => [static fn (): string => '/-/suggestions?q='.substr($words(), 0, mt_rand(3, 9)), 60, null],
];
$missed = false;
$curl = curl_init();
curl_setopt_array($curl, [\CURLOPT_RETURNTRANSFER => true]);
$ask = static function (string $address) use ($curl, $shop): float {
    curl_setopt($curl, \CURLOPT_URL, $shop.$address);
    curl_exec($curl);
    $status = curl_getinfo($curl, \CURLINFO_RESPONSE_CODE);
    if (200 !== $status) {
        throw new RuntimeException("$address answers $status.");
    }

    return 1000 * curl_getinfo($curl, \CURLINFO_TOTAL_TIME);
};
$memory = static function (): float {
    $pages = 0;
    foreach (glob('/proc/[0-9]*/status') ?: [] as $file) {
        $status = (string) @file_get_contents($file);
        if (str_contains($status, "Name:\tphp-fpm") && 1 === preg_match('/^RssAnon:\s+(\d+)/m', $status, $found)) {
            $pages = max($pages, (int) $found[1]);
        }
    }

    return $pages / 1024;
};
printf("%-36s %10s %10s %10s %10s %14s\n", 'milliseconds, one connection', 'median', '95 %', 'worst', 'aim', 'a second, four');
foreach ($kinds as $name => [$address, $aim, $rate]) {
    $addresses = array_map(static fn () => $address(), range(1, 400));
    array_map($ask, array_slice($addresses, 0, 20));
    $before = $memory();
    $times = array_map($ask, $addresses);
    sort($times);
    file_put_contents($argv[1], implode("\n", $addresses)."\n");
    $wrk = (string) shell_exec(sprintf(
        'wrk --latency -t1 -c4 -d8s -s ops/bench/listing.lua %s -- %s 2>&1',
        escapeshellarg($shop),
        escapeshellarg($argv[1]),
    ));
    preg_match('/Requests\/sec:\s+([\d.]+)/', $wrk, $second);
    $bad = preg_match('/Non-2xx or 3xx responses: (\d+)/', $wrk, $errors) ? (int) $errors[1] : 0;
    $late = $times[(int) floor(0.95 * count($times))];
    $over = $late > $aim || (null !== $rate && ($second[1] ?? 0) < $rate) || $bad > 0;
    $missed = $missed || $over;
    printf(
        "%-36s %10.1f %10.1f %10.1f %10s %14s%s\n",
        $name,
        $times[intdiv(count($times), 2)],
        $late,
        $times[count($times) - 1],
        "95 % < $aim",
        round((float) ($second[1] ?? 0)).(null === $rate ? '' : " (> $rate)"),
        $over ? '  OVER' : '',
    );
    printf(
        "%-36s %10s\n",
        '',
        sprintf('memory of a server process, %.0f MB before, %.0f after', $before, $memory()).($bad > 0 ? ", $bad errors" : ''),
    );
}
// A page far into a listing costs no more than the first.
$next = '/products?sort=price';
$times = [];
for ($page = 1; $page <= 60; ++$page) {
    $times[] = $ask($next);
    curl_setopt($curl, \CURLOPT_URL, $shop.$next);
    if (1 !== preg_match('/<a class="button button--quiet" href="([^"]+)" rel="next"/', (string) curl_exec($curl), $found)) {
        throw new RuntimeException('There is no next page.');
    }
    $next = html_entity_decode($found[1]);
}
$part = static fn (array $some): float => array_sum($some) / count($some);
printf(
    "%-36s %10.1f %10s\n",
    'page 1 to 10 of all products',
    $part(array_slice($times, 0, 10)),
    sprintf('page 51 to 60: %.1f', $part(array_slice($times, 50))),
);
exit($missed ? 1 : 0);
