<?php

declare(strict_types=1);

if (!function_exists('lantern_answer_early')) {
    require dirname(__DIR__).'/src/early.php';
}
if (!lantern_answer_early()) {
    require dirname(__DIR__).'/src/boot.php';

    lantern_serve('storefront');
}
