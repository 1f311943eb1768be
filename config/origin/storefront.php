<?php

declare(strict_types=1);

use Symfony\Component\DependencyInjection\Loader\Configurator\ContainerConfigurator;

return static function (ContainerConfigurator $container): void {
    // A visitor has no session: the shop's pages are the same for all who are signed in, or not.
    $container->extension('framework', ['session' => ['enabled' => false], 'router' => ['utf8' => true]]);
    $services = $container->services()->defaults()->autowire()->autoconfigure();
    // What answers before the framework starts is not made by it.
    $services->load('Lantern\\Storefront\\', '../../src/Storefront/')->exclude(['../../src/Storefront/EarlyAnswer.php', '../../src/Storefront/EarlyResponse.php']);
};
