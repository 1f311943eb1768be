<?php

declare(strict_types=1);

use Symfony\Component\DependencyInjection\Loader\Configurator\ContainerConfigurator;

return static function (ContainerConfigurator $container): void {
    $services = $container->services()->defaults()->autowire()->autoconfigure();
    $services->load('Lantern\\Persistence\\', '../src/Persistence/')
        ->exclude(['../src/Persistence/Entity', '../src/Persistence/Journal', '../src/Persistence/SearchPath.php', '../src/Persistence/NodeTable.php', '../src/Persistence/NodeTableWriter.php']);
    $services->load('Lantern\\Interchange\\', '../src/Interchange/');
};
