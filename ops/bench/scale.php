<?php

declare(strict_types=1);

/*
 * Measures one calm visitor and one calm manager of the filled shop: how long each call takes, beside what it may take.
 * Prints a table. What is measured under load stands in scale.sh.
 */

$shop = (string) getenv('LANTERN_STOREFRONT_URL');
$admin = (string) getenv('LANTERN_ADMIN_URL');
$rounds = max(3, (int) (getenv('LANTERN_BENCH_ROUNDS') ?: 20));
$only = $argv[1] ?? '';
$browser = curl_init();
curl_setopt_array($browser, [\CURLOPT_COOKIEFILE => '', \CURLOPT_RETURNTRANSFER => true, \CURLOPT_TIMEOUT => 600]);

/** @return array{int, string, float, array<string, string>} status, body, milliseconds, headers */
$ask = static function (string $verb, string $url, ?string $body = null, array $headers = []) use ($browser): array {
    $answered = [];
    curl_setopt_array($browser, [
        \CURLOPT_URL => $url,
        \CURLOPT_CUSTOMREQUEST => $verb,
        \CURLOPT_HTTPHEADER => $headers,
        \CURLOPT_POSTFIELDS => $body ?? '',
        \CURLOPT_HTTPGET => null === $body,
        \CURLOPT_HEADERFUNCTION => static function ($_, string $line) use (&$answered): int {
            if (str_contains($line, ':')) {
                [$name, $value] = explode(':', $line, 2);
                $answered[strtolower($name)] = trim($value);
            }

            return strlen($line);
        },
    ]);
    if (null === $body) {
        curl_setopt($browser, \CURLOPT_CUSTOMREQUEST, $verb);
    }
    $begin = hrtime(true);
    $content = (string) curl_exec($browser);

    return [(int) curl_getinfo($browser, \CURLINFO_RESPONSE_CODE), $content, (hrtime(true) - $begin) / 1e6, $answered];
};

// Signs in as the owner of the demo shop.
preg_match('/name="_csrf_token" value="([^"]+)"/', $ask('GET', "$admin/sign-in")[1], $token);
$ask(
    'POST',
    "$admin/sign-in",
    http_build_query(['mail' => 'owner@tansyandrook.example', 'password' => 'lantern-owner', '_csrf_token' => $token[1] ?? '']),
);
preg_match('/name="csrf-token" content="([^"]+)"/', $ask('GET', "$admin/")[1], $token);
$json = ['Content-Type: application/json', 'X-CSRF-Token: '.html_entity_decode($token[1] ?? '')];
$call = static function (string $verb, string $path, ?array $body = null, array $headers = []) use ($ask, $admin, $json): array {
    return $ask($verb, $admin.$path, null === $body ? null : json_encode($body, \JSON_THROW_ON_ERROR), [...$json, ...$headers]);
};
$get = static fn (string $path): array => json_decode($call('GET', $path)[1], true, flags: \JSON_THROW_ON_ERROR);

/** @param list<float> $times */
$at = static function (array $times, float $share): float {
    sort($times);

    return $times[(int) min(count($times) - 1, floor($share * count($times)))];
};
$failed = 0;
$line = static function (string $what, array $times, ?float $median, ?float $late, string $note = '') use ($at, &$failed): void {
    $is = [$at($times, 0.5), $at($times, 0.95)];
    $held = (null === $median || $is[0] <= $median) && (null === $late || $is[1] <= $late);
    $failed += $held ? 0 : 1;
    printf(
        "%-62s %9.1f %9.1f %10s %-5s %s\n",
        mb_substr($what, 0, 62),
        $is[0],
        $is[1],
        null === $median ? '' : rtrim(rtrim(number_format($median, 1, '.', ''), '0'), '.').(null === $late ? '' : "/$late"),
        $held ? '' : 'OVER',
        $note,
    );
};
/** @param Closure(int): array{int, string, float, array<string, string>} $one */
$measure = static function (string $what, Closure $one, ?float $median = 100, ?float $late = 300) use (&$rounds, $line, $only): void {
    if ('' !== $only && !str_contains($what, $only)) {
        return;
    }
    $times = $codes = [];
    // Once before it counts: who asks for the first time pays for what is kept.
    if (300 === (int) $late) {
        $one(0);
    }
    for ($n = 0; $n < $rounds; ++$n) {
        [$code, , $times[]] = $one($n);
        $codes[$code] = true;
    }
    $bad = array_filter(array_keys($codes), static fn (int $code): bool => $code >= 400 || 0 === $code);
    $line($what, $times, $median, $late, [] === $bad ? '' : 'answered '.implode(', ', $bad));
};

printf("%-62s %9s %9s %10s\n", 'milliseconds', 'median', '95 %', 'aim');
$products = array_column(array_column($get('/api/places?kind=product')['rows'], 'place'), 'id');
$category = $get('/api/places/find?q=Shelf%20411')['rows'][0]['place'];
$guides = $get('/api/places/find?q=Guides%20of%20the%20workshop')['rows'][0]['place'];
$article = $get('/api/places/find?q=Notes&kind=article')['rows'][0]['place']['id'];
$menu = array_values(array_filter(
    $get('/api/frame')['menus'],
    static fn (array $one): bool => 'The whole workshop' === $one['name'],
))[0]['id'];

foreach ([
    '/api/session', '/api/frame', "/api/menus/$menu", '/api/places', '/api/places?order=changed&down=yes', '/api/places?order=address',
    '/api/places?order=kind',
    '/api/places?light=quiet', '/api/places?light=closed', '/api/places?kind=page', '/api/places?kind=article', '/api/places?led=nowhere',
    '/api/places?led=no-menu', '/api/places?listed=no',
    '/api/places?q=marbled', '/api/places?q=linen+board', '/api/places?q=steel&kind=product&light=open', '/api/places?q=12345',
    "/api/places?group={$guides['id']}",
    '/api/places/find', '/api/places/find?q=m', '/api/places/find?q=marbled', '/api/places/find?q=linen+board',
    '/api/places/find?q=Marbeled+linnen', '/api/places/find?q=scale-77777', '/api/places/groups',
    "/api/places/{$category['id']}", "/api/places/{$guides['id']}", "/api/places/$products[0]", "/api/places/{$category['id']}/mentions",
    "/api/places/$products[1]/mentions", "/api/places/$article/mentions", "/api/places/{$guides['id']}/mentions",
    "/api/places/{$category['id']}/relatives", "/api/places/$products[0]/relatives", "/api/places/{$guides['id']}/relatives",
    "/api/places/{$category['id']}/siblings", "/api/places/$article/siblings", "/api/places/$article/words", "/api/places/$article/parts",
    '/api/redirects', '/api/redirects?q=calendar', '/api/redirects?q=77777', '/api/redirects?q=marbled', '/api/redirects?mark=unused',
    '/api/redirects?mark=nowhere', '/api/redirects?mark=shadowed', '/api/redirects?mark=ended', '/api/redirects?status=410',
    '/api/redirects?origin=person',
    '/api/policies', '/api/details', '/api/waiting', '/api/releases', '/api/releases/1', '/api/seen?address=/guides',
    '/api/menu.schema.json', "/api/menus/$menu/export.json", "/api/menus/$menu/export.opml",
] as $path) {
    $measure('GET '.preg_replace('/[0-9a-f]{8}-[0-9a-f-]{27}/', '{id}', $path), static fn (): array => $call('GET', $path));
}
$wish = static fn (
    array $place,
    string $to,
    bool $below = false,
): array => ['wishes' => [['place' => $place['id'], 'seen' => $place['address'], 'to' => $to, 'carryBelow' => $below]]];
$product = $get("/api/places/$products[7]")['place'];
$measure(
    'POST /api/addresses/plan, one product',
    static fn (int $n): array => $call('POST', '/api/addresses/plan', $wish($product, "/products/tidied-$n")),
);
$moves = 0;
$measure('POST /api/addresses, one product', static function () use ($call, $wish, &$product, &$moves): array {
    $to = '/products/tidied-'.++$moves;
    $answer = $call('POST', '/api/addresses', $wish($product, $to));
    $product['address'] = $to;

    return $answer;
}, 300, 300);
// There and back again, each as a job that a worker does; the time is until it has ended.
$carried = static function () use ($call, $wish, &$guides): array {
    $to = '/guides' === $guides['address'] ? '/all-guides' : '/guides';
    $begin = hrtime(true);
    $answer = $call('POST', '/api/addresses', $wish($guides, $to, true));
    $job = json_decode($answer[1], true);
    while (in_array($job['state'] ?? null, ['waiting', 'running'], true)) {
        usleep(100_000);
        $job = json_decode($call('GET', "/api/jobs/{$job['id']}")[1], true);
    }
    $guides['address'] = $to;
    $answer[0] = 'done' === ($job['state'] ?? null) ? 200 : 500;
    $answer[2] = (hrtime(true) - $begin) / 1e6;

    return $answer;
};
$all = $rounds;
$rounds = 2;
$measure('20,000 addresses carried along, as a job', $carried, 20_000, 20_000);
$rounds = $all;
$measure(
    'POST /api/answers',
    static fn (): array => $call(
        'POST',
        '/api/answers',
        ['addresses' => ['/old/7-an-old-address-of-this-shop.html', '/papers', '/nothing']],
    ),
);
$measure(
    'POST /api/places/{id}/removal-plan, a category',
    static fn (): array => $call('POST', "/api/places/{$category['id']}/removal-plan", ['answer' => 'gone', 'to' => null]),
);
$measure(
    'POST /api/places/{id}/light-plan, a product',
    static fn (): array => $call('POST', "/api/places/$products[3]/light-plan", ['light' => 'quiet']),
);

$measure(
    'a category of 70 products, made anew',
    static fn (int $n): array => $ask('GET', $shop.'/workshop-'.(1 + (411 + $n % 10) % 20).'/shelf-'.(411 + $n % 10)."?sort=name&anew=$n"),
    60,
    null,
);
$measure(
    'a category of 300 products, made anew',
    static fn (int $n): array => $ask('GET', $shop.'/workshop-'.(1 + (30 + $n) % 20).'/shelf-'.(30 + $n)."?sort=name&anew=$n"),
    60,
    null,
);
$measure(
    'a category of 4,500 products in 20 below it, made anew',
    static fn (int $n): array => $ask('GET', "$shop/workshop-".(1 + $n % 20)."?sort=name&anew=$n"),
    60,
    null,
);
$measure(
    'a product, made anew',
    static fn (int $n): array => $ask('GET', "$shop/products/scale-".(500 + $n)."?sort=name&anew=$n"),
    60,
    null,
);
$measure('all products, made anew', static fn (int $n): array => $ask('GET', "$shop/products?sort=name&anew=$n"), 60, null);
$measure('the front page, made anew', static fn (int $n): array => $ask('GET', "$shop/?sort=name&anew=$n"), 60, null);
$measure('the journal, made anew', static fn (int $n): array => $ask('GET', "$shop/journal?sort=name&anew=$n"), 60, null);
$measure('a group of 20,000 guides, made anew', static fn (int $n): array => $ask('GET', "$shop/guides?sort=name&anew=$n"), 60, null);
$words = ['linen', 'brass', 'marbled silk', 'copper hemp cord', 'ivory', 'needle', '77777', 'lots', 'bench', 'nothing-like-it'];
$measure(
    'search of the shop',
    static fn (int $n): array => $ask('GET', "$shop/search?q=".rawurlencode($words[$n % count($words)])),
    120,
    null,
);
$measure('the sitemap', static fn (): array => $ask('GET', "$shop/sitemap.xml"), 50, null);
preg_match_all('~<loc>([^<]+)</loc>~', $ask('GET', "$shop/sitemap.xml")[1], $parts);
if (str_contains($parts[1][0] ?? '', 'sitemap')) {
    $measure('a part of the sitemap', static fn (int $n): array => $ask('GET', $parts[1][$n % count($parts[1])]), 50, null);
}
exit($failed > 0 ? 3 : 0);
