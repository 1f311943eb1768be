<?php

declare(strict_types=1);

use Lantern\Node\Look\FirstLook;
use Lantern\Node\News\Freshness;
use Lantern\Node\News\News;
use Lantern\Node\Pages\KeptPage;
use Lantern\Node\Pages\KeptPages;

/* A node with a memory of its own (APCu), which a test tells what to do with its kept pages, a line at a time. */

require dirname(__DIR__, 3).'/vendor/autoload.php';

$pages = new KeptPages($argv[1]);
$news = new News(new FirstLook((string) getenv('DATABASE_URL')));
while (false !== $line = fgets(\STDIN)) {
    $words = explode(' ', trim($line));
    $said = match (array_shift($words)) {
        'look' => (static function () use ($news): ?int {
            News::expected();

            return $news->latest()?->number;
        })(),
        'begin' => ($begun = Freshness::now())->clock,
        'keep' => $pages->keep(
            false,
            $words[0],
            new KeptPage(['etag' => '"1"'], 'body of '.$words[0], time() + 60, $begun ?? Freshness::now(), array_slice($words, 1)),
        ),
        'get' => $pages->get(false, $words[0])?->body,
        'fresh' => $pages->get(false, $words[0])?->isFresh(new DateTimeImmutable()),
        'fresh-later' => $pages->get(false, $words[0])?->isFresh(new DateTimeImmutable('+2 minutes')),
        'lose-clock' => apcu_delete('fresh.clock'),
        'wipe' => apcu_clear_cache(),
        'fill' => (static function (): int {
            for ($n = 0; $n < 400 && apcu_store("filled.$n", random_bytes(100_000)); ++$n) {
            }

            return $n;
        })(),
        'away' => (static function (): bool {
            News::away();

            return News::isAway();
        })(),
        'make' => $pages->isToBeMadeHere(false, $words[0], static fn (): bool => null !== $pages->get(false, $words[0])),
        default => throw new LogicException("What is $line?"),
    };
    echo json_encode($said, \JSON_THROW_ON_ERROR), "\n";
}
