<?php

declare(strict_types=1);

use Lantern\Persistence\SearchPath;
use Symfony\Component\DependencyInjection\Loader\Configurator\ContainerConfigurator;

use function Symfony\Component\DependencyInjection\Loader\Configurator\env;

/* What both origins share. Everything that differs from one machine to another is an environment variable. */
return static function (ContainerConfigurator $container): void {
    $container->extension('framework', [
        'secret' => '%env(APP_SECRET)%',
        'http_method_override' => false,
        'handle_all_throwables' => true,
        'php_errors' => ['log' => true],
        'default_locale' => 'en',
        'trusted_proxies' => '%env(default::LANTERN_TRUSTED_PROXIES)%',
        'trusted_headers' => ['x-forwarded-for', 'x-forwarded-host', 'x-forwarded-proto', 'x-forwarded-port'],
        'uid' => ['default_uuid_version' => 7, 'time_based_uuid_version' => 7],
        // What is kept here never changes under its key, so each node may keep its own.
        'cache' => ['pools' => [
            'cache.resolved' => ['adapter' => extension_loaded('apcu') && \PHP_SAPI !== 'cli' ? 'cache.adapter.apcu' : 'cache.adapter.filesystem'],
        ]],
    ]);

    if ('test' === $container->env()) {
        $container->extension('framework', ['test' => true]);
    }

    // Connections are kept from one request to the next, since letting one in costs more than a page. The
    // name is part of what tells them apart: each of the two sees one copy only.
    $connection = static fn (string $copy): array => [
        'url' => '%env(resolve:DATABASE_URL)%',
        'server_version' => '15',
        'use_savepoints' => true,
        'profiling_collect_backtrace' => false,
        'application_name' => "lantern-$copy",
        'options' => 'test' === $container->env() ? [] : [PDO::ATTR_PERSISTENT => true],
    ];
    $mapping = static fn (string $name): array => [
        'type' => 'attribute',
        'is_bundle' => false,
        'dir' => '%kernel.project_dir%/src/Persistence/'.$name,
        'prefix' => 'Lantern\\Persistence\\'.$name,
    ];
    $container->extension('doctrine', [
        'dbal' => [
            'default_connection' => 'workbench',
            'connections' => ['workbench' => $connection('workbench'), 'live' => $connection('live')],
        ],
        'orm' => [
            'default_entity_manager' => 'workbench',
            // Entities are what is edited, and only the workbench is; live is read, and written by publishing.
            'entity_managers' => [
                'workbench' => [
                    'connection' => 'workbench',
                    'naming_strategy' => 'doctrine.orm.naming_strategy.underscore_number_aware',
                    'mappings' => ['Entity' => $mapping('Entity'), 'Journal' => $mapping('Journal')],
                ],
            ],
        ],
    ]);
    $services = $container->services();
    foreach (['workbench', 'live'] as $copy) {
        $services->set("lantern.search_path.$copy", SearchPath::class)
            ->args([$copy])
            ->tag('doctrine.middleware', ['connection' => $copy]);
    }

    $container->extension('twig', ['default_path' => '%kernel.project_dir%/templates', 'strict_variables' => true]);
    $container->extension('monolog', [
        'handlers' => [
            'main' => [
                'type' => 'fingers_crossed',
                'action_level' => 'error',
                'handler' => 'written',
                'excluded_http_codes' => [400, 403, 404, 405, 409, 410, 412, 422],
                'buffer_size' => 50,
            ],
            'written' => ['type' => 'stream', 'path' => env('default:lantern.log_file:LANTERN_LOG'), 'level' => 'debug'],
        ],
    ]);
    $container->parameters()->set('lantern.log_file', '%kernel.logs_dir%/lantern.log');
};
