<?php

declare(strict_types=1);

$root = dirname(__DIR__);

return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setCacheFile("$root/var/php-cs-fixer.cache")
    ->setFinder(PhpCsFixer\Finder::create()->in([
        "$root/src",
        "$root/config",
        "$root/migrations",
        "$root/public",
        "$root/tests",
        "$root/ops",
    ])->append(["$root/bin/console", "$root/bin/warm-storefront"]))
    ->setRules([
        '@Symfony' => true,
        '@Symfony:risky' => true,
        'declare_strict_types' => true,
        'ordered_imports' => true,
        'phpdoc_align' => false,
        'phpdoc_to_comment' => false,
        'phpdoc_separation' => false,
        'phpdoc_summary' => false,
        // Lines end at 140 (tests/Checks/LineLengthTest); what a refusal says may be long.
        'single_line_throw' => false,
        'global_namespace_import' => ['import_classes' => false, 'import_constants' => false, 'import_functions' => false],
    ]);
