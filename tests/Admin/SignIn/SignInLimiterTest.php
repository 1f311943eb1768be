<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\SignIn;

use Lantern\Admin\SignIn\SignInLimiter;
use Lantern\Tests\Admin\ApiTestCase;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Process\Process;

final class SignInLimiterTest extends ApiTestCase
{
    private const EDITOR = 'editor@tansyandrook.example';

    protected function setUp(): void
    {
        parent::setUp();
        $this->browser->getCookieJar()->clear();
    }

    public function testAfterFiveWrongOnesTheRightOneWaitsToo(): void
    {
        for ($n = 0; $n < 5; ++$n) {
            self::assertStringContainsString('do not belong together', $this->try(self::EDITOR, "wrong $n"));
        }
        self::assertStringContainsString('Too many attempts', $this->try(self::EDITOR, 'lantern-editor'));
        self::assertStringNotContainsString(
            'Too many',
            $this->try(self::EDITOR, 'lantern-editor', '192.0.2.77'),
            'who is elsewhere gets in',
        );
    }

    public function testTwelveAtOnceAreNotAllTried(): void
    {
        $attempts = [];
        for ($n = 0; $n < 12; ++$n) {
            $attempts[$n] = new Process([\PHP_BINARY, __DIR__.'/attempt.php', self::EDITOR]);
            $attempts[$n]->start(null, ['DATABASE_URL' => $_SERVER['DATABASE_URL']]);
        }
        $said = [];
        foreach ($attempts as $attempt) {
            $attempt->wait();
            $said[] = trim($attempt->getOutput());
        }
        self::assertSame(
            ['held back' => 7, 'tried' => 5],
            array_count_values(array_map(strval(...), self::sorted($said))),
            implode('; ', $said),
        );
    }

    public function testWhatOthersTryDoesNotLockOutWhoSignsInThereEachDay(): void
    {
        $this->signedIn(self::EDITOR);
        $tried = 0;
        while ($tried < 300 && $this->mayTry("nobody-$tried@tansyandrook.example")) {
            ++$tried;
        }
        self::assertSame(100, $tried, 'a network that tries name after name is held back');
        self::assertFalse($this->mayTry('owner@tansyandrook.example'), 'so is whoever was never there');
        self::assertTrue($this->mayTry(self::EDITOR), 'but whoever is known there gets in');
    }

    public function testWhoSignsInOftenIsNeverHeldBack(): void
    {
        for ($n = 0; $n < 200; ++$n) {
            self::assertTrue($this->mayTry(self::EDITOR));
            $this->signedIn(self::EDITOR);
        }
    }

    public function testManyNetworksOnOneAccountAreHeldBackButNotItsOwner(): void
    {
        $this->signedIn(self::EDITOR);
        $tried = 0;
        while ($tried < 200 && $this->mayTry(self::EDITOR, "198.51.100.$tried")) {
            ++$tried;
        }
        self::assertSame(50, $tried);
        self::assertTrue($this->mayTry(self::EDITOR));
        self::assertFalse($this->mayTry(strtoupper(self::EDITOR).' ', '203.0.113.9'), 'however the name is written');
    }

    private function mayTry(string $mail, string $from = '192.0.2.1'): bool
    {
        return $this->service(SignInLimiter::class)->consume(self::attempt($mail, $from))->isAccepted();
    }

    private function signedIn(string $mail, string $from = '192.0.2.1'): void
    {
        $this->service(SignInLimiter::class)->reset(self::attempt($mail, $from));
    }

    private static function attempt(string $mail, string $from): Request
    {
        return Request::create('/sign-in', 'POST', ['mail' => $mail], server: ['REMOTE_ADDR' => $from]);
    }

    /** What the page says then. */
    private function try(string $mail, string $password, string $from = '192.0.2.1'): string
    {
        $this->browser->getCookieJar()->clear();
        $this->browser->setServerParameter('REMOTE_ADDR', $from);
        $this->browser->followRedirects();
        $form = $this->browser->request('GET', '/sign-in')->filter('form')->form();
        $this->browser->submit($form, ['mail' => $mail, 'password' => $password]);
        $this->browser->followRedirects(false);

        return (string) $this->browser->getResponse()->getContent();
    }

    /**
     * @param list<string> $list
     *
     * @return list<string>
     */
    private static function sorted(array $list): array
    {
        sort($list);

        return $list;
    }
}
