<?php

declare(strict_types=1);

use Lantern\Kernel;
use Symfony\Component\DependencyInjection\ContainerInterface;

/* Gives the container to a script that a test runs in a process of its own. */

require dirname(__DIR__).'/vendor/autoload.php';

return (static function (): ContainerInterface {
    $kernel = new Kernel('test', false, 'admin');
    $kernel->boot();
    $container = $kernel->getContainer()->get('test.service_container');
    assert($container instanceof ContainerInterface);

    return $container;
})();
