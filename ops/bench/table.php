<?php

declare(strict_types=1);

// Makes a table of what ops/bench/web.sh measured: the median of the rounds, and ratios between things of one run.

$rounds = [];
foreach (file($argv[1], \FILE_IGNORE_NEW_LINES) ?: [] as $line) {
    [$what, $rate, $median, $late, $bad] = explode(' ', $line);
    $rounds[$what]['rate'][] = (float) $rate;
    $rounds[$what]['median'][] = (float) $median;
    $rounds[$what]['late'][] = (float) $late;
    $rounds[$what]['bad'][] = (int) $bad;
}
$middle = static function (array $values): float {
    sort($values);

    return $values[intdiv(count($values), 2)];
};
$rate = static fn (string $what): float => $middle($rounds[$what]['rate']);
$names = [
    'map' => "nginx's own map, 100,000 rules",
    'bare' => 'a bare PHP file',
    'redirect' => 'redirects, 100,000 rules',
    'controller' => 'a bare controller of the application',
    'page' => 'a category page',
    'campaign' => 'the same page, with what no page understands',
    'framework' => 'the same page in another order, made anew',
    'narrowed' => 'the same page narrowed, made anew',
    'plain-anew' => 'a page of words, made anew',
    'laid-out-anew' => 'three panels, 12 pieces, 40 pictures, anew',
    'plain-kept' => 'a page of words, kept',
    'laid-out-kept' => 'that page of pieces, kept',
    'rules-1000' => 'redirects, 1,000 rules',
    'rules-1000000' => 'redirects, 1,000,000 rules',
];
printf("%-46s %12s %14s %16s %18s\n", '', 'a second', 'median, ms', '99 % under, ms', 'of a bare file');
foreach ($names as $what => $name) {
    printf(
        "%-46s %12s %14.2f %16.2f %18.2f\n",
        $name,
        number_format($rate($what)),
        $middle($rounds[$what]['median']),
        $middle($rounds[$what]['late']),
        $rate($what) / $rate('bare'),
    );
    if (array_sum($rounds[$what]['bad']) > 0) {
        printf("    %d answers of these were errors\n", array_sum($rounds[$what]['bad']));
    }
}
printf("\nA redirect to a bare PHP file: %.2f (aim: no less than 0.55)\n", $rate('redirect') / $rate('bare'));
printf("A page to a bare controller: %.2f (aim: no less than 1)\n", $rate('page') / $rate('controller'));
printf("A page for a campaign to a bare controller: %.2f (aim: no less than 0.4)\n", $rate('campaign') / $rate('controller'));
printf("A page made anew to a bare controller: %.2f (aim: no less than 0.4)\n", $rate('framework') / $rate('controller'));
printf("A million rules to a thousand: %.2f (aim: no less than 0.9)\n", $rate('rules-1000000') / $rate('rules-1000'));
printf("A page of pieces to one of words, made anew: %.2f (aim: no less than 0.67)\n", $rate('laid-out-anew') / $rate('plain-anew'));
printf("The same, kept: %.2f (aim: no less than 0.9)\n", $rate('laid-out-kept') / $rate('plain-kept'));
