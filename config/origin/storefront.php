<?php

declare(strict_types=1);

use Symfony\Component\DependencyInjection\Loader\Configurator\ContainerConfigurator;

return static function (ContainerConfigurator $container): void {
    $container->parameters()->set('lantern.statement_seconds', 5)
        ->set('lantern.primary_url', '%env(resolve:DATABASE_URL)%')
        // What visitors read may come from a standby.
        ->set('lantern.live_url', '%env(resolve:default:lantern.primary_url:DATABASE_READ_URL)%');
    // A visitor has no session: the shop's pages are the same for all who are signed in, or not.
    $container->extension('framework', [
        'session' => ['enabled' => false],
        'router' => ['utf8' => true],
        // Counted on each node by itself.
        'rate_limiter' => array_map(
            static fn (int $times): array => [
                'policy' => 'sliding_window',
                'limit' => $times,
                'interval' => '1 minute',
                'cache_pool' => 'cache.resolved',
                'lock_factory' => null,
            ],
            ['search' => 120, 'suggestions' => 600],
        ),
    ]);
    $services = $container->services()->defaults()->autowire()->autoconfigure();
    $services->load('Lantern\\Storefront\\', '../../src/Storefront/');
};
