<?php

declare(strict_types=1);

use Lantern\Admin\Account\Account;
use Lantern\Admin\SignIn\FactorAwaited;
use Lantern\Admin\SignIn\SharedState;
use Lantern\Admin\SignIn\SignedInPeople;
use Lantern\Admin\SignIn\SignInLimiter;
use Lantern\Node\Visits\WriteNotedVisits;
use Lantern\Workbench\OutsideLinks\PacedClient;
use Symfony\Component\Cache\Adapter\AdapterInterface;
use Symfony\Component\DependencyInjection\Loader\Configurator\ContainerConfigurator;

use function Symfony\Component\DependencyInjection\Loader\Configurator\env;
use function Symfony\Component\DependencyInjection\Loader\Configurator\service;

use Symfony\Component\HttpFoundation\Session\Storage\Handler\AbstractSessionHandler;

return static function (ContainerConfigurator $container): void {
    $container->parameters()
        ->set('lantern.statement_seconds', 30)
        ->set('lantern.live_url', '%env(resolve:DATABASE_URL)%')
        ->set('lantern.session_cookie', 'lantern');
    $limit = static fn (string $policy, int $times, string $within): array => [
        'policy' => $policy,
        'limit' => $times,
        'interval' => $within,
        'cache_pool' => 'cache.rate_limiter',
        'lock_factory' => 'lock.factory',
    ];
    $container->extension('framework', [
        'router' => ['utf8' => true],
        'session' => [
            'handler_id' => 'test' === $container->env() ? null : 'lantern.session_handler',
            'storage_factory_id' => 'test' === $container->env() ? 'session.storage.factory.mock_file' : 'session.storage.factory.native',
            // Where there is TLS, the cookie is the host's alone (RFC 6265bis, 4.1.3.2).
            'name' => '%env(default:lantern.session_cookie:LANTERN_SESSION_COOKIE)%',
            'cookie_samesite' => 'lax',
            'cookie_secure' => 'auto',
            'cookie_httponly' => true,
            'gc_maxlifetime' => 60 * 60 * 12,
        ],
        'csrf_protection' => true,
        'lock' => ['resources' => ['default' => '%env(resolve:LANTERN_LOCK_DSN)%']],
        'cache' => ['pools' => ['cache.scheduled' => [
            'adapter' => 'cache.adapter.doctrine_dbal',
            'provider' => 'doctrine.dbal.workbench_connection',
        ]]],
        // Counted under a lock: a dozen attempts at one moment are a dozen.
        'rate_limiter' => [
            'sign_in_pair' => $limit('fixed_window', 5, '5 minutes'),
            'sign_in_account' => $limit('fixed_window', 50, '15 minutes'),
            'sign_in_network' => $limit('fixed_window', 100, '5 minutes'),
            'factor_session' => $limit('fixed_window', 5, '5 minutes'),
            'factor_person' => $limit('fixed_window', 30, '15 minutes'),
            'factor_day' => $limit('fixed_window', 100, '1 day'),
            'letter_network' => $limit('fixed_window', 30, '15 minutes'),
            'letter_person' => $limit('fixed_window', 3, '15 minutes'),
            'link_network' => $limit('fixed_window', 60, '5 minutes'),
            'own_password' => $limit('fixed_window', 10, '5 minutes'),
            // A second between two requests to one host, whichever worker makes them.
            'outside_host' => [
                'policy' => 'token_bucket',
                'limit' => 1,
                'rate' => ['interval' => '1 second'],
                'cache_pool' => 'cache.rate_limiter',
                'lock_factory' => 'lock.factory',
            ],
            'preview' => $limit('sliding_window', 300, '1 minute'),
            'upload' => $limit('sliding_window', 120, '1 minute'),
            'import' => $limit('sliding_window', 30, '1 minute'),
            'answers' => $limit('sliding_window', 300, '1 minute'),
        ],
        'validation' => ['enabled' => true],
        'serializer' => ['enabled' => true],
        'property_info' => ['enabled' => true, 'with_constructor_extractor' => true],
    ]);
    $container->extension('security', [
        'password_hashers' => [Account::class => ['id' => 'lantern.password_hasher']],
        'providers' => ['people' => ['id' => SignedInPeople::class]],
        // Whoever may look may also have a second factor; where one is required, whoever has none may do that alone.
        'role_hierarchy' => [
            'ROLE_OWNER' => ['ROLE_PUBLISHER'],
            'ROLE_PUBLISHER' => ['ROLE_EDITOR'],
            'ROLE_EDITOR' => ['ROLE_VIEWER'],
            'ROLE_VIEWER' => ['ROLE_WITHOUT_FACTOR'],
        ],
        'firewalls' => [
            'assets' => ['pattern' => '^/assets/', 'security' => false],
            'main' => [
                'lazy' => true,
                'provider' => 'people',
                'form_login' => [
                    'login_path' => 'sign_in',
                    'check_path' => 'sign_in',
                    'username_parameter' => 'mail',
                    'password_parameter' => 'password',
                    'enable_csrf' => true,
                    'default_target_path' => '/',
                ],
                'logout' => ['path' => 'sign_out', 'target' => 'sign_in', 'enable_csrf' => true],
                'login_throttling' => ['limiter' => SignInLimiter::class],
                'entry_point' => 'form_login',
                'access_denied_handler' => FactorAwaited::class,
            ],
        ],
        // By the route's name and the method, however the path was written. What is named nowhere is looked at by all, and changed by
        // editors.
        'access_control' => [
            [
                'route' => '^(sign_in|sign_out|welcome|password_forgotten|password_new|first_start|health|metrics)$',
                'roles' => 'PUBLIC_ACCESS',
            ],
            ['route' => '^second_factor$', 'roles' => 'ROLE_FACTOR_AWAITED'],
            ['route' => '^(shell|session|account_factor_begin|account_factor_confirm)$', 'roles' => 'ROLE_WITHOUT_FACTOR'],
            ['route' => '^(people|audit|letters|house_rules)(_|$)', 'roles' => 'ROLE_OWNER'],
            ['route' => '^publish$', 'roles' => 'ROLE_PUBLISHER'],
            ['route' => '^(previews|answers|morning_mail)$', 'roles' => 'ROLE_VIEWER'],
            ['route' => '^account_', 'roles' => 'ROLE_VIEWER'],
            ['methods' => ['GET', 'HEAD'], 'roles' => 'ROLE_VIEWER'],
            ['roles' => 'ROLE_EDITOR'],
        ],
    ]);

    $container->extension('doctrine_migrations', [
        'migrations_paths' => ['Lantern\\Migrations' => '%kernel.project_dir%/migrations'],
        'storage' => ['table_storage' => ['table_name' => 'public.migration']],
        'em' => 'workbench',
        'transactional' => true,
    ]);

    $services = $container->services()->defaults()->autowire()->autoconfigure();
    // The clocks of the shop are wound where its workers are.
    $services->load('Lantern\\Workbench\\Schedule\\', '../../src/Workbench/Schedule/');
    foreach (['Admin', 'Console', 'Demo'] as $layer) {
        $services->load("Lantern\\$layer\\", "../../src/$layer/");
    }
    $services->set('lantern.paced_client', PacedClient::class)
        ->decorate('lantern.outside_client')
        ->args([service('.inner'), service('limiter.outside_host')]);
    $services->set(WriteNotedVisits::class);
    // Sessions and counts of attempts lie in the database, or in Redis where there is one.
    $services->set('lantern.session_handler', AbstractSessionHandler::class)
        ->factory([SharedState::class, 'sessions'])
        ->args([service('doctrine.dbal.workbench_connection'), env('default::REDIS_URL')]);
    $services->set('cache.rate_limiter', AdapterInterface::class)
        ->factory([SharedState::class, 'counts'])
        ->args([service('doctrine.dbal.workbench_connection'), env('default::REDIS_URL')]);
};
