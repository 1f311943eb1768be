<?php

declare(strict_types=1);

/* Prints "PASSED FAILED" of a JUnit report. A suite that ended badly without one counts as one failure. */

[, $file, $status] = $argv;
$report = is_file($file) ? simplexml_load_file($file) : false;
if (false === $report) {
    echo '0 1';
    exit;
}
$cases = $report->xpath('//testcase') ?: [];
$bad = $report->xpath('//testcase[failure or error]') ?: [];
$skipped = $report->xpath('//testcase[skipped]') ?: [];
$failed = max(count($bad), '0' === $status ? 0 : 1);
if ([] === $cases) {
    $failed = 1;
}
printf('%d %d', max(0, count($cases) - count($bad) - count($skipped)), $failed);
