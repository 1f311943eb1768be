<?php

declare(strict_types=1);

// What the core takes for the work that a request or an import waits for. Run by bin/bench.

use Lantern\Core\Address\Address;
use Lantern\Core\Menu\Difference;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\Merge;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Position;
use Lantern\Core\Menu\RelocateAll;
use Lantern\Core\Menu\RemoveAll;
use Lantern\Core\Menu\Resolver;
use Lantern\Core\Menu\Rewrite;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Button;
use Lantern\Core\Piece\Column;
use Lantern\Core\Piece\Layout;
use Lantern\Core\Piece\LayoutResolver;
use Lantern\Core\Piece\Links;
use Lantern\Core\Piece\Products;
use Lantern\Core\Piece\Supplies;
use Lantern\Core\Piece\Text;
use Lantern\Core\Piece\Title;
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
told(
    'Resolving a menu of '.$tree->size().' entries',
    measured(200, static fn () => Resolver::resolve($tree, $places, $visitor)),
    'under 5 ms',
);
$mine = (new Rewrite(new Entry('e3-3-3', new PlaceTarget('p1'), 'Mine')))->apply($tree);
$theirs = (new Rewrite(new Entry('e7-7-7', new PlaceTarget('p1'), 'Theirs')))->apply($tree);
told('Merging two edits of it', measured(20, static fn () => Merge::of($tree, $theirs, $mine)));
$flat = new Tree(array_map(static fn (int $n): Entry => new Entry("e$n", new PlaceTarget('p1'), "Line $n"), range(1, 4000)));
$ids = array_map(static fn (int $n): string => "e$n", range(1, 4000));
$mine = (new RelocateAll(array_slice($ids, 100, 400), new Position(null, 3)))->apply($flat);
$theirs = (new RemoveAll(array_slice($ids, 600, 400)))->apply($flat);
told('Merging 400 moves and 400 removals of a menu of 4,000, and back', measured(5, static function () use ($flat, $theirs, $mine): void {
    $step = Difference::between($theirs, Merge::of($flat, $theirs, $mine)->tree);
    $step->inverse($theirs)->apply($step->apply($theirs));
}), 'under 300 ms');

// A page of 200 pieces: ten bands of four columns, each with a heading, words, a button, products and links.
$bands = [];
for ($a = 0; $a < 10; ++$a) {
    $columns = [];
    for ($b = 0; $b < 4; ++$b) {
        $pieces = [];
        foreach ([new Title(), new Text('<p>Some words.</p>'), new Button(), new Products(), new Links()] as $n => $piece) {
            $isLinks = $piece instanceof Links;
            $pieces[] = new Entry(
                "x$a-$b-$n",
                $isLinks ? new Heading() : new PlaceTarget("p$n"),
                $piece->needsLabel() ? 'Label' : null,
                $isLinks ? [new Entry("l$a-$b-1", new PlaceTarget('p1')), new Entry("l$a-$b-2", new PlaceTarget('p2'))] : [],
                content: $piece,
            );
        }
        $columns[] = new Entry("c$a-$b", new Heading(), null, $pieces, content: new Column());
    }
    $bands[] = new Entry("b$a", new Heading(), null, $columns, content: new Band());
}
$page = (new Tree([], Layout::page()))->with($bands);
$products = [];
foreach ($page->all() as $entry) {
    $products[$entry->id] = ['p1', 'p2', 'p3', 'p4'];
}
$supplies = new Supplies($places, products: $products);
told('Resolving a page of 200 pieces', measured(200, static fn () => LayoutResolver::resolve($page, $supplies, $visitor)), 'under 5 ms');

foreach ([10_000, 100_000, 1_000_000] as $size) {
    $table = new RuleTable();
    for ($n = 0; $n < $size; ++$n) {
        // Chains of twenty.
        $goal = 19 === $n % 20 ? '/end-'.$n : '/old-'.($n + 1);
        $table->add(new Rule(
            "r$n",
            Address::fromNormal("/old-$n"),
            false,
            Goal::address(Address::fromNormal($goal)),
            RedirectStatus::ForGood,
        ));
    }
    $moment = new DateTimeImmutable();
    gc_disable();
    told(
        'Flattening '.number_format($size).' redirects in chains of twenty',
        measured(1_000_000 === $size ? 2 : 5, static fn () => Flattening::of($table, $moment)),
        1_000_000 === $size ? 'under 5 s' : '',
    );
    unset($table);
}
printf("%-62s %10.0f MB\n", 'Most memory', memory_get_peak_usage() / 1e6);
