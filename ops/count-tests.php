<?php

declare(strict_types=1);

/*
 * Prints "PASSED FAILED" of a JUnit report. A suite that ended badly without one counts as one failure. With a second report, of
 * files that were tried once more, what it says of them counts. With --failed, prints the files of the first that had failures; with
 * --names, each that failed with the beginning of what it said.
 */

$failed = in_array('--failed', $argv, true);
$names = in_array('--names', $argv, true);
[
    $file,
    $status,
    $again,
] = array_values(array_filter(
    array_slice($argv, 1),
    static fn (string $argument): bool => !str_starts_with($argument, '--'),
)) + ['', '0', ''];
$read = static fn (string $path): ?SimpleXMLElement => is_file($path) ? (simplexml_load_file($path) ?: null) : null;
$suites = [];
foreach ([$file, $again] as $path) {
    foreach ($read($path)?->xpath('//testsuite[testcase]') ?: [] as $suite) {
        $suites[(string) $suite['name']] = $suite;
    }
}
$bad = array_map(static fn (SimpleXMLElement $suite): int => count($suite->xpath('testcase[failure or error]') ?: []), $suites);
if ($failed) {
    echo implode(' ', array_keys(array_filter($bad)));
    exit;
}
if ($names) {
    foreach ($suites as $suite) {
        foreach ($suite->xpath('testcase[failure or error]') ?: [] as $case) {
            printf(
                "%s: %s\n%s\n",
                $case['classname'] ?: $suite['name'],
                $case['name'],
                implode("\n", array_slice(explode("\n", trim((string) ($case->failure ?: $case->error))), 0, 12)),
            );
        }
    }
    exit;
}
$sum = static fn (string $what): int => array_sum(array_map(
    static fn (SimpleXMLElement $suite): int => count($suite->xpath($what) ?: []),
    $suites,
));
$cases = $sum('testcase');
printf(
    '%d %d',
    max(0, $cases - array_sum($bad) - $sum('testcase[skipped and not(failure or error)]')),
    max(array_sum($bad), '0' === $status && $cases > 0 ? 0 : 1),
);
