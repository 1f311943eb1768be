<?php

declare(strict_types=1);

use Lantern\Core\Address\Address;
use Lantern\Node\Look\FirstLook;
use Lantern\Node\News\News;
use Lantern\Node\Table\NodeTable;

/* A node with a memory of its own (APCu), which a test tells what to do, a line at a time. */

require dirname(__DIR__, 3).'/vendor/autoload.php';

$look = new FirstLook((string) getenv('DATABASE_URL'));
$table = new NodeTable($look, new News($look), $argv[1]);
while (false !== $line = fgets(\STDIN)) {
    [$word, $rest] = explode(' ', trim($line), 2) + ['', ''];
    if ('keep-up' === $word) {
        $table->keepUp();
    }
    $said = match ($word) {
        'keep-up' => count(glob("$argv[1]/addresses-*.cdb") ?: []),
        'forget' => (static function (): bool {
            NodeTable::forgetRelease();

            return true;
        })(),
        'hop' => null === ($hop = $table->hop($rest)) ? null : [$hop->status, $hop->location],
        'open' => count(array_filter(
            scandir('/proc/self/fd') ?: [],
            static fn (string $one): bool => str_contains((string) @readlink("/proc/self/fd/$one"), '.cdb'),
        )),
        'place' => $table->at(Address::parse($rest))?->at(Address::parse($rest))?->title,
        default => throw new LogicException("What is $word?"),
    };
    echo json_encode($said, \JSON_THROW_ON_ERROR), "\n";
}
