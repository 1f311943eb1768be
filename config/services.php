<?php

declare(strict_types=1);

use Lantern\Node\Customers\CustomerIdentities;
use Lantern\Node\Customers\CustomerIdentity;
use Lantern\Node\Pages\KeptPages;
use Symfony\Component\DependencyInjection\Loader\Configurator\ContainerConfigurator;

return static function (ContainerConfigurator $container): void {
    $services = $container->services()->defaults()->autowire()->autoconfigure();
    $services->load('Lantern\\Interchange\\', '../src/Interchange/');
    $services->load(
        'Lantern\\Reading\\',
        '../src/Reading/',
    )->exclude([
        '../src/Reading/Sql/ConnectionSettings.php',
        '../src/Reading/Copies/Copy.php',
        '../src/Reading/Findings/Contents.php',
        '../src/Reading/Findings/CopyKnowledge.php',
    ]);
    $services->load(
        'Lantern\\Workbench\\',
        '../src/Workbench/',
    )->exclude([
        '../src/Workbench/*/*Record.php',
        '../src/Workbench/Schedule',
        '../src/Workbench/Menus/MenuStep.php',
        '../src/Workbench/People/Person.php',
        '../src/Workbench/Queues/ReadableMessages.php',
        '../src/Workbench/OutsideLinks/PacedClient.php',
        '../src/Workbench/People/NormalizedPasswords.php',
        '../src/Workbench/Mailing/SignedWebhook.php',
        '../src/Workbench/Letters/MailboxTransport.php',
    ]);
    $services->set(CustomerIdentity::class)->factory([CustomerIdentities::class, 'ofEnvironment']);
    // What answers before the framework starts is not made by it.
    $services->set(KeptPages::class)->args(['%env(default:lantern.var:LANTERN_VAR)%/cache/pages']);
    $container->parameters()->set('lantern.var', '%kernel.project_dir%/var');
    $services->load('Lantern\\Node\\', '../src/Node/')
        ->exclude([
            '../src/Node/Customers/CustomerIdentities.php',
            '../src/Node/Customers/StandInCustomer.php',
            '../src/Node/Customers/SignedCustomer.php',
            '../src/Node/Pages/KeptPages.php',
            '../src/Node/News/News.php',
            '../src/Node/Table/NodeTable.php',
            '../src/Node/Table/NodeTableWriter.php',
            '../src/Node/Early/EarlyAnswer.php',
            '../src/Node/Early/EarlyResponse.php',
            '../src/Node/Visits/VisitCounter.php',
            '../src/Node/Visits/WriteNotedVisits.php',
        ]);
};
