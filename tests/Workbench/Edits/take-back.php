<?php

declare(strict_types=1);

use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\People\Person;

/* Takes an edit back in a process of its own, so that a test can make it wait. */

$container = require dirname(__DIR__, 2).'/container.php';
assert($container instanceof Symfony\Component\DependencyInjection\ContainerInterface);
$log = $container->get(EditLog::class);
$entities = $container->get('doctrine.orm.entity_manager');
assert($log instanceof EditLog && $entities instanceof Doctrine\ORM\EntityManagerInterface);
$person = $entities->find(Person::class, $argv[2] ?? '');
assert($person instanceof Person);
$log->takeBack($log->get($argv[1] ?? '', $person->actor()), $person->actor());
