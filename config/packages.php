<?php

declare(strict_types=1);

use Lantern\Node\Memory\NodeCache;
use Lantern\Reading\Sql\ConnectionSettings;
use Lantern\Workbench\Findings\CatchUp;
use Lantern\Workbench\Findings\KeepUp;
use Lantern\Workbench\Findings\WalkOver;
use Lantern\Workbench\Jobs\DoJob;
use Lantern\Workbench\Letters\LetterToPerson;
use Lantern\Workbench\Mailing\TellService;
use Lantern\Workbench\MorningMail\TellOfTheMorning;
use Lantern\Workbench\MorningMail\TellPersonOfTheMorning;
use Lantern\Workbench\OutsideLinks\AskHost;
use Lantern\Workbench\OutsideLinks\CheckOutsideLinks;
use Lantern\Workbench\OutsideLinks\OutsideClientFactory;
use Lantern\Workbench\People\NormalizedPasswords;
use Lantern\Workbench\People\PasswordWanted;
use Lantern\Workbench\Queues\ReadableMessages;
use Lantern\Workbench\Subscribers\WriteLetter;
use Symfony\Component\Cache\Adapter\AdapterInterface;
use Symfony\Component\DependencyInjection\Loader\Configurator\ContainerConfigurator;

use function Symfony\Component\DependencyInjection\Loader\Configurator\env;
use function Symfony\Component\DependencyInjection\Loader\Configurator\param;
use function Symfony\Component\DependencyInjection\Loader\Configurator\service;

use Symfony\Component\PasswordHasher\Hasher\NativePasswordHasher;
use Symfony\Contracts\HttpClient\HttpClientInterface;

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
    ]);

    if ('test' === $container->env()) {
        $container->extension('framework', ['test' => true]);
    }

    // Connections are kept from one request to the next, since letting one in costs more than a page. The
    // name is part of what tells them apart: each of the two sees one copy only.
    $connection = static fn (string $copy): array => [
        'url' => 'live' === $copy ? '%lantern.live_url%' : '%env(resolve:DATABASE_URL)%',
        'server_version' => '15',
        'use_savepoints' => true,
        'profiling_collect_backtrace' => false,
        'application_name' => "lantern-$copy",
        // A database that does not answer is given up soon (connect_timeout), so that nobody waits for half a minute.
        'options' => [PDO::ATTR_TIMEOUT => 3] + ('test' === $container->env() ? [] : [PDO::ATTR_PERSISTENT => true]),
    ];
    $mapping = [
        'type' => 'attribute',
        'is_bundle' => false,
        'dir' => '%kernel.project_dir%/src/Workbench',
        'prefix' => 'Lantern\\Workbench',
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
                    'mappings' => ['Workbench' => $mapping],
                ],
            ],
        ],
    ]);
    $services = $container->services();
    $services->set('cache.resolved', AdapterInterface::class)->factory([NodeCache::class, 'make']);
    foreach (['workbench', 'live'] as $copy) {
        $services->set("lantern.connection_settings.$copy", ConnectionSettings::class)
            // The workbench is written to by a library that prepares for itself.
            ->args([$copy, param('lantern.statement_seconds'), 'live' === $copy])
            ->tag('doctrine.middleware', ['connection' => $copy]);
    }

    // No address within a private network is asked, whatever a name resolves to; but for the demo's made-up world on loopback.
    $services->set('lantern.outside_client', HttpClientInterface::class)
        ->factory([OutsideClientFactory::class, 'make'])
        ->args([env('default::LANTERN_OUTSIDE_STAND_IN')]);

    // Argon2id (RFC 9106), with 32 MiB and three passes.
    $services->set('lantern.argon2id', NativePasswordHasher::class)->args([3, 32 * 1024 * 1024, null, \PASSWORD_ARGON2ID]);
    $services->set('lantern.password_hasher', NormalizedPasswords::class)->args([service('lantern.argon2id')]);

    // Work that takes longer than a request, kept in the database until a worker has done it: a queue for each purpose, so that none
    // waits for another's. A worker that does not say for twenty seconds that it is at work is taken for dead, and its message goes to
    // another. What has failed for good is kept, and owners see it (FailedMessages).
    $queue = static fn (string $name, array $retry): array => [
        'dsn' => "doctrine://workbench?table_name=message&queue_name=$name&auto_setup=false&check_delayed_interval=500&redeliver_timeout=20",
        'retry_strategy' => $retry,
    ];
    $container->extension('framework', [
        'messenger' => [
            'failure_transport' => 'failed',
            'transports' => [
                // A mail server may be away for three days: 5 s, 15 s, 45 s … and then every four hours, which is 73 hours in all.
                'letters' => $queue('letters', ['max_retries' => 26, 'delay' => 5_000, 'multiplier' => 3, 'max_delay' => 14_400_000]),
                'jobs' => $queue('jobs', ['max_retries' => 10, 'delay' => 1000]),
                // Other web sites, each question a message.
                'outside' => $queue('outside', ['max_retries' => 3, 'delay' => 5000]),
                // Looking over what changed, or over everything.
                'checks' => $queue('checks', ['max_retries' => 3, 'delay' => 5000]),
                'failed' => $queue('failed', ['max_retries' => 0]),
            ],
            'routing' => [
                DoJob::class => 'jobs',
                WalkOver::class => 'checks', KeepUp::class => 'checks', CatchUp::class => 'checks',
                CheckOutsideLinks::class => 'outside', AskHost::class => 'outside',
                WriteLetter::class => 'letters', TellService::class => 'letters', LetterToPerson::class => 'letters',
                PasswordWanted::class => 'letters', TellOfTheMorning::class => 'letters', TellPersonOfTheMorning::class => 'letters',
            ],
        ],
        // Whoever sends is a worker already. Without a mail server the mails are kept, for the mailbox to show.
        'mailer' => ['dsn' => '%env(default:lantern.mailer_dsn:MAILER_DSN)%', 'message_bus' => false],
        'http_client' => ['default_options' => ['max_redirects' => 0]],
    ]);
    $services->set(ReadableMessages::class)->decorate('messenger.default_serializer', null, -10)->args([service('.inner')]);
    $container->parameters()->set('lantern.mailer_dsn', 'mailbox://kept');
    $container->extension('twig', ['default_path' => '%kernel.project_dir%/templates', 'strict_variables' => true]);
    $container->extension('monolog', [
        'channels' => ['security_events'],
        'handlers' => [
            'main' => [
                'type' => 'fingers_crossed',
                'action_level' => 'error',
                'handler' => 'written',
                'excluded_http_codes' => [400, 403, 404, 405, 409, 410, 412, 413, 415, 421, 422, 428, 429],
                'buffer_size' => 50,
                'channels' => ['!security_events'],
            ],
            // Sign-ins, refusals and releases: a line of JSON each, whether or not anything else happens.
            // Where a file cannot be written, the server's own log has it: nobody is kept out because of a log.
            'events' => ['type' => 'fallbackgroup', 'members' => ['events_file', 'events_server'], 'channels' => ['security_events']],
            'events_file' => [
                'type' => 'stream',
                'nested' => true,
                'path' => env('default:lantern.events_file:LANTERN_EVENTS'),
                'level' => 'info',
                'formatter' => 'monolog.formatter.json',
            ],
            'events_server' => ['type' => 'error_log', 'nested' => true, 'level' => 'info', 'formatter' => 'monolog.formatter.json'],
            'written' => ['type' => 'fallbackgroup', 'nested' => true, 'members' => ['written_file', 'written_server']],
            'written_file' => [
                'type' => 'stream',
                'nested' => true,
                'path' => env('default:lantern.log_file:LANTERN_LOG'),
                'level' => 'debug',
            ],
            'written_server' => ['type' => 'error_log', 'nested' => true, 'level' => 'error'],
        ],
    ]);
    $container->parameters()->set('lantern.log_file', '%kernel.logs_dir%/lantern.log');
    $container->parameters()->set('lantern.events_file', '%kernel.logs_dir%/events.log');
};
