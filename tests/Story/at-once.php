<?php

declare(strict_types=1);

/*
 * Does one act in a process of its own, once everybody is there: it waits for a lock that the test holds until all of them wait. Says
 * "done", or the class of what refused it.
 */

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Place\Revision;
use Lantern\Tests\Story\TwoAtOnceTest;
use Lantern\Workbench\Addresses\AddressEditor;
use Lantern\Workbench\Addresses\AddressWish;
use Lantern\Workbench\Edits\UnitOfWork;
use Lantern\Workbench\Frame\FrameEditor;
use Lantern\Workbench\Frame\FrameVersions;
use Lantern\Workbench\People\Person;
use Lantern\Workbench\People\TeamEditor;
use Lantern\Workbench\Places\PlaceEditor;
use Symfony\Component\DependencyInjection\ContainerInterface;

$container = require dirname(__DIR__).'/container.php';
assert($container instanceof ContainerInterface);
/**
 * @template T of object
 *
 * @param class-string<T> $class
 *
 * @return T
 */
function service_of(ContainerInterface $container, string $class): object
{
    $service = $container->get($class);
    assert($service instanceof $class);

    return $service;
}

[, $act, $who, $what, $more] = $argv + [4 => ''];
$connection = $container->get('doctrine.dbal.workbench_connection');
assert($connection instanceof Connection);
$person = service_of($container, EntityManagerInterface::class)->find(Person::class, $who)
    ?? throw new LogicException('Nobody has this id.');
$do = match ($act) {
    'notice' => static fn () => service_of($container, UnitOfWork::class)->run(static function () use ($container, $what, $person): void {
        service_of($container, FrameVersions::class)->refuseStale(['setting:notice'], ['setting:notice' => 1]);
        service_of($container, FrameEditor::class)->notice($what, $person->actor());
    }),
    'let-go' => static fn () => service_of($container, TeamEditor::class)->letGo($what, $person->actor()),
    'title' => static fn () => service_of($container, PlaceEditor::class)->revise($what, 1, new Revision(title: $more), $person->actor()),
    'address' => static fn () => service_of($container, AddressEditor::class)->change(
        [new AddressWish($what, $more, '/wanted-by-two')],
        $person->actor(),
    ),
    default => throw new LogicException("What is $act?"),
};
$connection->executeQuery('SELECT pg_advisory_lock_shared('.TwoAtOnceTest::BARRIER.')');
$connection->executeQuery('SELECT pg_advisory_unlock_shared('.TwoAtOnceTest::BARRIER.')');
try {
    $do();
    echo 'done';
} catch (Throwable $refusal) {
    echo $refusal::class;
}
