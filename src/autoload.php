<?php

declare(strict_types=1);

/*
 * Finds the classes of this program, and only these (PSR-4). What is answered before the framework
 * starts needs no others, and Composer's own loader takes longer than the answer.
 */

if (!function_exists('lantern_load')) {
    function lantern_load(string $class): void
    {
        if (
            str_starts_with($class, 'Lantern\\')
            && !class_exists($class, false)
            && !interface_exists($class, false)
            && !enum_exists($class, false)
        ) {
            $file = __DIR__.'/'.strtr(substr($class, 8), '\\', '/').'.php';
            if (is_file($file)) {
                require $file;
            }
        }
    }
}

spl_autoload_register('lantern_load');
