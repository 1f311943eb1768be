<?php

declare(strict_types=1);

/*
 * The storefront before its framework. ops/preload.php keeps this function and all that it needs in
 * the memory of php-fpm; without that it is read like any other file.
 */

use Lantern\Persistence\FirstLook;
use Lantern\Persistence\NodeTable;
use Lantern\Persistence\VisitCounter;
use Lantern\Storefront\CustomerCookie;
use Lantern\Storefront\EarlyAnswer;

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
    });
    $look = new FirstLook((string) getenv('DATABASE_URL'));
    $table = new NodeTable($look, (getenv('LANTERN_VAR') ?: dirname(__DIR__).'/var').'/cache/addresses');
    $now = new DateTimeImmutable();
    $cookies = (string) getenv('HTTP_COOKIE');
    $response = (new EarlyAnswer($look, $table, new CustomerCookie((string) getenv('APP_SECRET'))))
        ->to((string) getenv('REQUEST_URI'), '' === $cookies ? '' : CustomerCookie::among($cookies), (string) getenv('HTTP_IF_NONE_MATCH'), $now);
    if (null === $response) {
        return false;
    }
    $response->send('GET' === $method);
    if ('GET' !== $method || null === $response->visited) {
        return true;
    }
    $visits = new VisitCounter($look->connection(...));
    if (!$visits->note($response->visited, $now)) {
        // Every few seconds there is something to write down. The visitor waits for none of it.
        if (function_exists('fastcgi_finish_request')) {
            fastcgi_finish_request();
        }
        $visits->writeNoted($now);
        $table->keepUp();
    }

    return true;
}
