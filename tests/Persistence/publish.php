<?php

declare(strict_types=1);

use Lantern\Kernel;
use Lantern\Persistence\Publisher;

/* Publishes in a process of its own, so that a test can kill it. */

require dirname(__DIR__, 2).'/vendor/autoload.php';

$kernel = new Kernel('test', false, 'admin');
$kernel->boot();
$container = $kernel->getContainer()->get('test.service_container');
assert($container instanceof Symfony\Component\DependencyInjection\ContainerInterface);
$publisher = $container->get(Publisher::class);
assert($publisher instanceof Publisher);
exit(null === $publisher->publish('Joss') ? 1 : 0);
