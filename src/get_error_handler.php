<?php

declare(strict_types=1);

/*
 * Symfony 7.4 calls get_error_handler(), which PHP has from 8.5 on. The polyfill package
 * cannot be had where this program is built, and this is the only function of it that is
 * called (see docs/development.md).
 */
if (!function_exists('get_error_handler')) {
    function get_error_handler(): ?callable
    {
        $handler = set_error_handler(static fn (): bool => false);
        restore_error_handler();

        return $handler;
    }
}
