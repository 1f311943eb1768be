<?php

declare(strict_types=1);

/*
 * The storefront before its framework: answers what EarlyAnswer can, and says whether it did. What a
 * request says is read by getenv(), since filling $_SERVER takes longer than most of what is done here.
 */

use Lantern\Persistence\FirstLook;
use Lantern\Persistence\NodeTable;
use Lantern\Persistence\VisitCounter;
use Lantern\Storefront\CustomerCookie;
use Lantern\Storefront\EarlyAnswer;

require_once __DIR__.'/autoload.php';

return (static function (): bool {
    $method = getenv('REQUEST_METHOD');
    if ('GET' !== $method && 'HEAD' !== $method) {
        return false;
    }
    $look = new FirstLook((string) getenv('DATABASE_URL'));
    $table = new NodeTable($look, (getenv('LANTERN_VAR') ?: dirname(__DIR__).'/var').'/cache/addresses');
    $now = new DateTimeImmutable();
    $cookies = (string) getenv('HTTP_COOKIE');
    $response = (new EarlyAnswer($look, $table, new CustomerCookie((string) getenv('APP_SECRET'))))
        ->to((string) getenv('REQUEST_URI'), '' === $cookies ? '' : CustomerCookie::among($cookies), (string) getenv('HTTP_IF_NONE_MATCH'), $now);
    if (null !== $response) {
        $response->send('GET' === $method);
    }
    $visits = new VisitCounter($look->connection(...));
    $isAllForNow = null === $response || null === $response->visited || 'GET' !== $method || $visits->note($response->visited, $now);
    if (!$isAllForNow) {
        // Every few seconds there is something to write down. The visitor waits for none of it.
        if (function_exists('fastcgi_finish_request')) {
            fastcgi_finish_request();
        }
        $visits->writeNoted($now);
        $table->keepUp();
    }

    return null !== $response;
})();
