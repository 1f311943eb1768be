<?php

declare(strict_types=1);

// What EarlyAnswer needs, linked once when php-fpm starts (opcache.preload) instead of with every request.

require dirname(__DIR__).'/src/autoload.php';
require dirname(__DIR__).'/src/early.php';

foreach (['Core/Address', 'Core/Answer', 'Core/Place', 'Core/Redirect'] as $folder) {
    foreach (glob(dirname(__DIR__)."/src/$folder/*.php") ?: [] as $file) {
        lantern_load('Lantern\\'.strtr($folder, '/', '\\').'\\'.basename($file, '.php'));
    }
}
foreach (glob(dirname(__DIR__).'/src/Node/*.php') ?: [] as $file) {
    lantern_load('Lantern\\Node\\'.basename($file, '.php'));
}
foreach (['Core\Refused', 'Core\Visitor', 'Reading\Copies\Row', 'Reading\Places\PlaceReader', 'Reading\Redirects\RuleReader'] as $class) {
    lantern_load("Lantern\\$class");
}
