<?php

declare(strict_types=1);

require dirname(__DIR__).'/src/boot.php';

lantern_serve('storefront');
