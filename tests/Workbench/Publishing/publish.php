<?php

declare(strict_types=1);

use Lantern\Core\Person\Actor;
use Lantern\Workbench\Publishing\Publisher;

/* Publishes in a process of its own, so that a test can kill it. */

$container = require dirname(__DIR__, 2).'/container.php';
assert($container instanceof Symfony\Component\DependencyInjection\ContainerInterface);
$publisher = $container->get(Publisher::class);
assert($publisher instanceof Publisher);
exit(null === $publisher->publish(Actor::commandLine('Joss')) ? 1 : 0);
