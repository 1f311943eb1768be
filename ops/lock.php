<?php

declare(strict_types=1);

/*
 * Composer writes no lock file here, so two packages without code do its work: third-party/locked requires every
 * library of the program in its exact version, third-party/locked-dev those that only checks and tests need.
 * `php ops/lock.php` writes them from what is installed; with --check it says what floats, and fails.
 */

$root = dirname(__DIR__);
$installed = json_decode((string) file_get_contents("$root/vendor/composer/installed.json"), true, flags: \JSON_THROW_ON_ERROR);
assert(is_array($installed) && is_array($installed['packages']) && is_array($installed['dev-package-names']));
$lists = ['locked' => [], 'locked-dev' => []];
foreach ($installed['packages'] as $package) {
    assert(is_array($package) && is_string($package['name']) && is_string($package['version']));
    if (!str_starts_with($package['name'], 'gentle-lantern/')) {
        $lists[in_array($package['name'], $installed['dev-package-names'], true) ? 'locked-dev' : 'locked'][$package['name']] = ltrim(
            $package['version'],
            'v',
        );
    }
}
$wrong = [];
foreach ($lists as $name => $versions) {
    ksort($versions);
    $file = "$root/third-party/$name/composer.json";
    $text = json_encode(
        [
            'name' => "gentle-lantern/$name",
            'type' => 'metapackage',
            'version' => '1.0.0',
            'description' => 'The exact versions that this program is made with. Written by ops/lock.php.',
            'require' => (object) $versions,
        ],
        \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES,
    )
        ."\n";
    if (!in_array('--check', $argv, true)) {
        @mkdir(dirname($file), 0o755, true);
        file_put_contents($file, $text);
        continue;
    }
    $known = json_decode((string) @file_get_contents($file), true);
    $locked = is_array($known) && is_array($known['require'] ?? null) ? $known['require'] : [];
    foreach ($versions + $locked as $package => $_) {
        if (($versions[$package] ?? null) !== ($locked[$package] ?? null)) {
            $wrong[] = sprintf(
                '%s: %s is installed, %s says %s',
                $package,
                is_string($versions[$package] ?? null) ? $versions[$package] : 'nothing',
                $name,
                is_string($locked[$package] ?? null) ? $locked[$package] : 'nothing',
            );
        }
    }
}
if ([] !== $wrong) {
    fwrite(\STDERR, implode("\n", $wrong)."\nRun php ops/lock.php to keep what is installed, or install what is kept.\n");
    exit(1);
}
