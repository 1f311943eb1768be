<?php

declare(strict_types=1);

use Lantern\Kernel;
use Symfony\Component\Dotenv\Dotenv;
use Symfony\Component\HttpFoundation\Request;

require dirname(__DIR__).'/vendor/autoload.php';

/** Where bin/start keeps what this machine's copy of the program is set up with. */
function lantern_environment(): void
{
    $file = ($_SERVER['LANTERN_VAR'] ?? getenv('LANTERN_VAR') ?: dirname(__DIR__).'/var').'/environment';
    if (is_readable($file)) {
        (new Dotenv())->usePutenv(false)->load($file);
    }
}

function lantern_serve(string $origin): void
{
    $kernel = new Kernel($_SERVER['APP_ENV'] ?? 'prod', (bool) ($_SERVER['APP_DEBUG'] ?? false), $origin);
    $request = Request::createFromGlobals();
    $response = $kernel->handle($request);
    $response->send();
    $kernel->terminate($request, $response);
}
