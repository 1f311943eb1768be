<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Http;

use Lantern\Tests\Admin\ApiTestCase;

final class HealthTest extends ApiTestCase
{
    public function testAnswersABalancerByWhateverNameItHasAndNobodyElse(): void
    {
        $this->browser->getCookieJar()->clear();
        $this->browser->setServerParameter('HTTP_HOST', '10.1.2.3:8091');
        $this->browser->request('GET', '/-/health');
        self::assertSame(200, $this->code());
        self::assertSame("ready\n", $this->browser->getResponse()->getContent());
        self::assertStringContainsString('no-store', (string) $this->header('Cache-Control'));
        foreach (['/', '/sign-in', '/api/session', '/-/healthy', '/-/metrics'] as $path) {
            $this->browser->request('GET', $path);
            self::assertSame(421, $this->code(), $path);
        }
    }

    public function testNumbersAreForThisMachineAlone(): void
    {
        $this->browser->getCookieJar()->clear();
        $this->browser->request('GET', '/-/metrics', server: ['HTTP_LANTERN_ON_LOOPBACK' => 'yes']);
        self::assertSame(404, $this->code(), 'a header says nothing of where somebody is');
        $this->browser->request('GET', '/-/metrics', server: ['LANTERN_ON_LOOPBACK' => 'yes', 'HTTP_HOST' => '127.0.0.1:8094']);
        self::assertSame(200, $this->code());
        $text = (string) $this->browser->getResponse()->getContent();
        foreach (explode("\n", trim($text)) as $line) {
            self::assertMatchesRegularExpression(
                '/^(# HELP [a-z_]+ .+\.|# TYPE [a-z_]+ (gauge|counter)|[a-z_]+(\{[a-z_]+="[^"]*"\})? -?[0-9.]+(e[+-]?\d+)?)$/iD',
                $line,
            );
        }
        self::assertMatchesRegularExpression('/^lantern_release_number 1$/m', $text);
        self::assertMatchesRegularExpression('/^lantern_findings\{copy="live"\} \d+$/m', $text);
    }
}
