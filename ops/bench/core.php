<?php

declare(strict_types=1);

// What the core takes for the work that a request or an import waits for. Run by bin/bench.

use Lantern\Core\Address\Address;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Merge;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Resolver;
use Lantern\Core\Menu\Rewrite;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Redirect\Flattening;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\RuleTable;
use Lantern\Core\Visitor;

require dirname(__DIR__, 2).'/vendor/autoload.php';

/** @return array{float, float} median and slowest, in milliseconds */
function measured(int $times, Closure $work): array
{
    $work();
    $taken = [];
    for ($n = 0; $n < $times; ++$n) {
        $begun = hrtime(true);
        $work();
        $taken[] = (hrtime(true) - $begun) / 1e6;
    }
    sort($taken);

    return [$taken[intdiv($times, 2)], $taken[$times - 1]];
}

/** @param array{float, float} $figures */
function told(string $what, array $figures, string $aim = ''): void
{
    printf("%-62s %10.2f ms %10.2f ms  %s\n", $what, $figures[0], $figures[1], $aim);
}

printf("%-62s %13s %13s  %s\n", '', 'median', 'slowest', 'aim');

$places = [];
for ($n = 0; $n < 1000; ++$n) {
    $places["p$n"] = new Place("p$n", PlaceKind::Category, "Place $n", Address::fromNormal("/place-$n"));
}
$entries = [];
for ($a = 0; $a < 10; ++$a) {
    $second = [];
    for ($b = 0; $b < 9; ++$b) {
        $third = [];
        for ($c = 0; $c < 10; ++$c) {
            $third[] = new Entry("e$a-$b-$c", new PlaceTarget('p'.($a * 100 + $b * 10 + $c)), null);
        }
        $second[] = new Entry("e$a-$b", new PlaceTarget("p$b"), null, $third);
    }
    $entries[] = new Entry("e$a", new PlaceTarget("p$a"), null, $second);
}
$tree = new Tree($entries);
$visitor = Visitor::guest(new DateTimeImmutable());
told('Resolving a menu of '.$tree->size().' entries', measured(200, static fn () => Resolver::resolve($tree, $places, $visitor)), 'under 5 ms');
$mine = (new Rewrite(new Entry('e3-3-3', new PlaceTarget('p1'), 'Mine')))->apply($tree);
$theirs = (new Rewrite(new Entry('e7-7-7', new PlaceTarget('p1'), 'Theirs')))->apply($tree);
told('Merging two edits of it', measured(20, static fn () => Merge::of($tree, $theirs, $mine)));

foreach ([10_000, 100_000, 1_000_000] as $size) {
    $table = new RuleTable();
    for ($n = 0; $n < $size; ++$n) {
        // Chains of twenty.
        $goal = 19 === $n % 20 ? '/end-'.$n : '/old-'.($n + 1);
        $table->add(new Rule("r$n", Address::fromNormal("/old-$n"), false, Goal::address(Address::fromNormal($goal)), RedirectStatus::ForGood));
    }
    $moment = new DateTimeImmutable();
    gc_disable();
    told('Flattening '.number_format($size).' redirects in chains of twenty', measured(1_000_000 === $size ? 2 : 5, static fn () => Flattening::of($table, $moment)), 1_000_000 === $size ? 'under 5 s' : '');
    unset($table);
}
printf("%-62s %10.0f MB\n", 'Most memory', memory_get_peak_usage() / 1e6);
