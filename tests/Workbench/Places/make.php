<?php

declare(strict_types=1);

use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\PlaceParent;
use Lantern\Workbench\People\Person;
use Lantern\Workbench\Places\PlaceMaker;

/* Makes a page in a process of its own, so that a test can make several at one moment. */

$container = require dirname(__DIR__, 2).'/container.php';
assert($container instanceof Symfony\Component\DependencyInjection\ContainerInterface);
$maker = $container->get(PlaceMaker::class);
$entities = $container->get('doctrine.orm.entity_manager');
assert($maker instanceof PlaceMaker && $entities instanceof Doctrine\ORM\EntityManagerInterface);
$person = $entities->getRepository(Person::class)->findOneBy(['role' => 'editor']);
assert($person instanceof Person);
$maker->make(PlaceKind::Page, $argv[1] ?? '', new PlaceParent(null), $person->actor());
