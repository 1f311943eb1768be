<?php

declare(strict_types=1);

use Lantern\Admin\SignIn\SignInLimiter;
use Symfony\Component\HttpFoundation\Request;

/* One attempt to sign in, in a process of its own: says whether its password would be looked at. */

$container = require dirname(__DIR__, 2).'/container.php';
assert($container instanceof Symfony\Component\DependencyInjection\ContainerInterface);
$limiter = $container->get(SignInLimiter::class);
assert($limiter instanceof SignInLimiter);
$request = Request::create('/sign-in', 'POST', ['mail' => (string) ($argv[1] ?? '')], server: ['REMOTE_ADDR' => '192.0.2.1']);
echo $limiter->consume($request)->isAccepted() ? 'tried' : 'held back';
