<?php

declare(strict_types=1);

use Lantern\Workbench\Jobs\DoJob;
use Lantern\Workbench\Jobs\JobWorker;

/* Does a job in a process of its own, so that a test can kill it. */

$container = require dirname(__DIR__, 2).'/container.php';
assert($container instanceof Symfony\Component\DependencyInjection\ContainerInterface);
$worker = $container->get(JobWorker::class);
assert($worker instanceof JobWorker);
$worker(new DoJob($argv[1]));
