<?php

declare(strict_types=1);

use Lantern\Kernel;
use Lantern\Persistence\FirstLook;
use Lantern\Persistence\VisitCounter;
use Lantern\Storefront\CustomerCookie;
use Lantern\Storefront\EarlyAnswer;
use Symfony\Component\Dotenv\Dotenv;
use Symfony\Component\HttpFoundation\Request;

require dirname(__DIR__).'/vendor/autoload.php';

/** A variable of the environment, of the web server or of the shell. */
function lantern_variable(string $name, string $otherwise): string
{
    $value = $_SERVER[$name] ?? getenv($name);

    return is_string($value) && '' !== $value ? $value : $otherwise;
}

/** Reads what bin/start set this machine's copy of the program up with; variables that are set already win. */
function lantern_environment(): void
{
    $file = lantern_variable('LANTERN_VAR', dirname(__DIR__).'/var').'/environment';
    if (is_readable($file)) {
        (new Dotenv())->usePutenv(false)->load($file);
    }
}

function lantern_kernel(string $origin): Kernel
{
    return new Kernel(lantern_variable('APP_ENV', 'prod'), '1' === lantern_variable('APP_DEBUG', '0'), $origin);
}

/** Whether the request was answered without the framework; see EarlyAnswer. */
function lantern_serve_early(): bool
{
    $look = new FirstLook(lantern_variable('DATABASE_URL', ''));
    $now = new DateTimeImmutable();
    $response = (new EarlyAnswer($look, new CustomerCookie(lantern_variable('APP_SECRET', ''))))->to($_SERVER, $_COOKIE, $now);
    if (null === $response) {
        return false;
    }
    $isGet = 'GET' === $_SERVER['REQUEST_METHOD'];
    $response->send($isGet);
    if (function_exists('fastcgi_finish_request')) {
        fastcgi_finish_request();
    }
    if ($isGet) {
        (new VisitCounter($look->connection(...)))->count($response->answer, $now);
    }

    return true;
}

function lantern_serve(string $origin): void
{
    if ('storefront' === $origin && lantern_serve_early()) {
        return;
    }
    $kernel = lantern_kernel($origin);
    $request = Request::createFromGlobals();
    $response = $kernel->handle($request);
    $response->send();
    $kernel->terminate($request, $response);
}
