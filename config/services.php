<?php

declare(strict_types=1);

use Lantern\Node\CustomerIdentities;
use Lantern\Node\CustomerIdentity;
use Lantern\Node\KeptPages;
use Symfony\Component\DependencyInjection\Loader\Configurator\ContainerConfigurator;

return static function (ContainerConfigurator $container): void {
    $services = $container->services()->defaults()->autowire()->autoconfigure();
    $services->load('Lantern\\Interchange\\', '../src/Interchange/');
    $services->load('Lantern\\Reading\\', '../src/Reading/')->exclude(['../src/Reading/Sql/ConnectionSettings.php', '../src/Reading/Copies/Copy.php', '../src/Reading/Findings/Contents.php', '../src/Reading/Findings/CopyKnowledge.php']);
    $services->load('Lantern\\Workbench\\', '../src/Workbench/')->exclude(['../src/Workbench/*/*Record.php', '../src/Workbench/Menus/MenuStep.php', '../src/Workbench/People/Person.php', '../src/Workbench/Jobs/ReadableMessages.php', '../src/Workbench/OutsideLinks/PacedClient.php', '../src/Workbench/People/NormalizedPasswords.php']);
    $services->set(CustomerIdentity::class)->factory([CustomerIdentities::class, 'ofEnvironment']);
    // What answers before the framework starts is not made by it.
    $services->set(KeptPages::class)->args(['%env(default:lantern.var:LANTERN_VAR)%/cache/pages']);
    $container->parameters()->set('lantern.var', '%kernel.project_dir%/var');
    $services->load('Lantern\\Letters\\', '../src/Letters/')->exclude(['../src/Letters/SignedWebhook.php', '../src/Letters/MailboxTransport.php']);
    $services->load('Lantern\\Node\\', '../src/Node/')
        ->exclude(['../src/Node/CustomerIdentities.php', '../src/Node/StandInCustomer.php', '../src/Node/SignedCustomer.php', '../src/Node/KeptPages.php', '../src/Node/News.php', '../src/Node/NodeTable.php', '../src/Node/NodeTableWriter.php', '../src/Node/EarlyAnswer.php', '../src/Node/EarlyResponse.php', '../src/Node/VisitCounter.php', '../src/Node/WriteNotedVisits.php']);
};
