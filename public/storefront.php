<?php

declare(strict_types=1);

if (true !== require dirname(__DIR__).'/src/early.php') {
    require dirname(__DIR__).'/src/boot.php';

    lantern_serve('storefront');
}
