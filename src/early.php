<?php

declare(strict_types=1);

/*
 * The storefront before its framework. ops/preload.php keeps this function and all that it needs in
 * the memory of php-fpm; without that it is read like any other file.
 */

use Lantern\Node\Customers\CustomerIdentities;
use Lantern\Node\Early\EarlyAnswer;
use Lantern\Node\Look\FirstLook;
use Lantern\Node\News\News;
use Lantern\Node\Pages\KeptPages;
use Lantern\Node\Table\NodeTable;
use Lantern\Node\Visits\VisitCounter;

/**
 * Answers what EarlyAnswer can, and says whether it did. What a request says is read by getenv(),
 * since filling $_SERVER takes longer than most of what is done here.
 */
function lantern_answer_early(): bool
{
    $method = getenv('REQUEST_METHOD');
    if ('GET' !== $method && 'HEAD' !== $method) {
        return false;
    }
    // Whatever is not in memory is found by our own loader, once it is asked for.
    spl_autoload_register(static function (string $class): void {
        require_once __DIR__.'/autoload.php';
        lantern_load($class);
        // Only where customers show tokens of the shop's own system.
        if (str_starts_with($class, 'Firebase\\JWT\\')) {
            require_once dirname(__DIR__).'/vendor/firebase/php-jwt/src/'.substr($class, 13).'.php';
        }
    });
    // The storefront may read from a standby; what it writes goes to the primary.
    $look = new FirstLook((string) (getenv('DATABASE_READ_URL') ?: getenv('DATABASE_URL')));
    $primary = new FirstLook((string) getenv('DATABASE_URL'));
    $cache = (getenv('LANTERN_VAR') ?: dirname(__DIR__).'/var').'/cache';
    $news = new News($look);
    $table = new NodeTable($look, $news, "$cache/addresses");
    $customers = CustomerIdentities::ofEnvironment();
    $answers = new EarlyAnswer($look, $news, $table, new KeptPages("$cache/pages"), $customers);
    $target = (string) getenv('REQUEST_URI');
    $response = $answers->byTable($target);
    if (null === $response) {
        $cookies = (string) getenv('HTTP_COOKIE');
        $response = $answers->to(
            $target,
            '' === $cookies ? '' : CustomerIdentities::among($cookies, $customers),
            (string) getenv('HTTP_IF_NONE_MATCH'),
            new DateTimeImmutable(),
        );
    }
    if (null === $response) {
        return false;
    }
    $response->send('GET' === $method);
    if ('GET' !== $method || null === $response->visited) {
        return true;
    }
    $visits = new VisitCounter($primary->connection(...));
    if (!$visits->note($response->visited, gmdate('Y-m-d'))) {
        // Every few seconds there is something to write down. The visitor waits for none of it.
        if (function_exists('fastcgi_finish_request')) {
            fastcgi_finish_request();
        }
        $visits->writeNoted();
        $table->keepUp();
    }

    return true;
}
