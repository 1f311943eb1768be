<?php

declare(strict_types=1);

// What EarlyAnswer needs, linked once when php-fpm starts (opcache.preload) instead of with every request.

require dirname(__DIR__).'/src/autoload.php';
require dirname(__DIR__).'/src/early.php';

foreach (['Core/Address', 'Core/Answer', 'Core/Filter', 'Core/Place', 'Core/Redirect'] as $folder) {
    foreach (glob(dirname(__DIR__)."/src/$folder/*.php") ?: [] as $file) {
        lantern_load('Lantern\\'.strtr($folder, '/', '\\').'\\'.basename($file, '.php'));
    }
}
foreach (glob(dirname(__DIR__).'/src/Node/*/*.php') ?: [] as $file) {
    lantern_load('Lantern\\Node\\'.basename(dirname($file)).'\\'.basename($file, '.php'));
}
foreach (['Core\Refused', 'Core\Visitor', 'Reading\Sql\Row', 'Reading\Places\PlaceReader', 'Reading\Redirects\RuleReader'] as $class) {
    lantern_load("Lantern\\$class");
}

// What a page needs that has to be made: the framework's own list of what its container uses, our layers that answer visitors, and the
// templates as they were compiled. Only where the container has been built for this copy of the program.
(static function (): void {
    $root = dirname(__DIR__);
    $cache = (getenv('LANTERN_VAR') ?: "$root/var").'/cache/prod/storefront';
    $made = glob("$cache/*.preload.php") ?: [];
    if ([] === $made) {
        return;
    }
    require $made[0];
    foreach (['Core', 'Interchange', 'Reading', 'Storefront'] as $layer) {
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(
            "$root/src/$layer",
            FilesystemIterator::SKIP_DOTS,
        )) as $file) {
            if ($file instanceof SplFileInfo && 'php' === $file->getExtension()) {
                class_exists('Lantern\\'.strtr(substr($file->getPathname(), strlen("$root/src/"), -4), '/', '\\'));
            }
        }
    }
    // What neither of the two knows of, though every page needs it.
    foreach ([
        'doctrine/dbal/src/Types' => 'Doctrine\DBAL\Types',
        'symfony/doctrine-bridge/Types' => 'Symfony\Bridge\Doctrine\Types',
        'doctrine/dbal/src/Driver/PDO' => 'Doctrine\DBAL\Driver\PDO',
    ] as $folder => $namespace) {
        foreach (glob("$root/vendor/$folder/*.php") ?: [] as $file) {
            class_exists($namespace.'\\'.basename($file, '.php'));
        }
    }
    foreach ([
        'Doctrine\DBAL\Connection\StaticServerVersionProvider', 'Doctrine\DBAL\Driver\PDO\PgSQL\Driver', 'Doctrine\DBAL\DriverManager',
        'Doctrine\DBAL\Platforms\PostgreSQL120Platform', 'Doctrine\DBAL\Platforms\PostgreSQLPlatform',
        'Symfony\Component\Cache\Traits\ValueWrapper', 'Symfony\Component\Clock\NativeClock',
        'Symfony\Component\OptionsResolver\OptionsResolver', 'Twig\RuntimeLoader\FactoryRuntimeLoader',
    ] as $class) {
        class_exists($class);
    }
    foreach (glob("$cache/twig/*/*.php") ?: [] as $template) {
        require_once $template;
    }
})();
