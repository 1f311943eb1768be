<?php

declare(strict_types=1);

// The least that php-fpm can do: what every answer by PHP costs at the very least.
header('Content-Type: text/plain');
echo 'ok';
