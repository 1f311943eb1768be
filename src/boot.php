<?php

declare(strict_types=1);

use Lantern\Kernel;
use Symfony\Component\Dotenv\Dotenv;
use Symfony\Component\HttpFoundation\Request;

require __DIR__.'/autoload.php';

/** A variable of the environment, of the web server or of the shell. */
function lantern_variable(string $name, string $otherwise): string
{
    $value = $_SERVER[$name] ?? getenv($name);

    return is_string($value) && '' !== $value ? $value : $otherwise;
}

/** Reads what bin/start set this machine's copy of the program up with; variables that are set already win. */
function lantern_environment(): void
{
    lantern_libraries();
    $file = lantern_variable('LANTERN_VAR', dirname(__DIR__).'/var').'/environment';
    if (is_readable($file)) {
        (new Dotenv())->usePutenv(false)->load($file);
    }
}

/** Composer's loader, for all that is not this program's own. */
function lantern_libraries(): void
{
    require_once dirname(__DIR__).'/vendor/autoload.php';
}

function lantern_kernel(string $origin): Kernel
{
    lantern_libraries();

    $_SERVER['LANTERN_SESSION_COOKIE'] ??= str_starts_with(lantern_variable('LANTERN_ADMIN_URL', ''), 'https://')
        ? '__Host-lantern'
        : 'lantern';

    return new Kernel(lantern_variable('APP_ENV', 'prod'), '1' === lantern_variable('APP_DEBUG', '0'), $origin);
}

function lantern_serve(string $origin): void
{
    $kernel = lantern_kernel($origin);
    $request = Request::createFromGlobals();
    $response = $kernel->handle($request);
    $response->send();
    $kernel->terminate($request, $response);
}
