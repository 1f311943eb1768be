<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Preview;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Person\Actor;
use Lantern\Kernel;
use Lantern\Tests\Admin\ApiTestCase;
use Lantern\Workbench\People\OwnSessions;
use Lantern\Workbench\People\Person;
use Lantern\Workbench\People\TeamEditor;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Request;

final class PreviewsTest extends ApiTestCase
{
    public function testAPreviewEndsWithTheSession(): void
    {
        $this->workbench()->executeStatement("UPDATE place SET title = 'Sheets' WHERE address = '/papers'");
        $prefix = $this->opened();
        self::assertSame([200, true], $this->looked($prefix), 'the workbench is shown');
        // Somebody else signs out: it goes on.
        $this->signIn('owner');
        $this->signOut();
        self::assertSame(200, $this->looked($prefix)[0]);
    }

    public function testAfterSigningOutItIsOver(): void
    {
        $prefix = $this->opened();
        self::assertSame(200, $this->looked($prefix)[0]);
        $this->signOut();
        self::assertSame([403, false], $this->looked($prefix));
    }

    /** @return iterable<string, array{\Closure(self, string): void}> */
    public static function ends(): iterable
    {
        yield 'an owner ends their sessions' => [
            static fn (self $test, string $id) => $test->service(TeamEditor::class)->endSessions($id, '', Actor::commandLine()),
        ];
        yield 'an owner lets them go' => [
            static fn (self $test, string $id) => $test->service(TeamEditor::class)->letGo($id, Actor::commandLine()),
        ];
        yield 'they end it from another browser' => [static function (self $test, string $id): void {
            $person = $test->service(EntityManagerInterface::class)->find(Person::class, $id) ?? throw new \LogicException();
            $test->service(OwnSessions::class)->end($test->service(OwnSessions::class)->of($person)[0]->id, $person);
        }];
        yield 'a password is set by a letter' => [static fn (self $test, string $id) => $test->service(TeamEditor::class)->setPassword(
            (string) $test->service(TeamEditor::class)->askForPassword('publisher@tansyandrook.example'),
            'slow copper orchard tide',
        )];
        yield 'it was not used for three hours, and somebody looks' => [static function (self $test, string $id): void {
            $test->workbench()->executeStatement("UPDATE journal.own_session SET seen_at = seen_at - interval '4 hours'");
            $test->browser->request('GET', '/api/session');
        }];
    }

    /** @param \Closure(self, string): void $end */
    #[DataProvider('ends')]
    public function testHoweverASessionEndsItsPreviewsDo(\Closure $end): void
    {
        $prefix = $this->opened();
        self::assertSame(200, $this->looked($prefix)[0]);
        $end($this, $this->person('publisher')->id);
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.own_session WHERE person_id = ?', $this->person('publisher')->id));
        self::assertSame([403, false], $this->looked($prefix));
    }

    public function testAPreviewLastsNoLongerThanItsSessionMay(): void
    {
        $this->workbench()->executeStatement("UPDATE journal.own_session SET begun_at = now() - interval '11 hours 30 minutes'");
        $view = $this->send('POST', '/api/previews', []);
        $expires = $this->at($view, 'expires');
        self::assertIsString($expires);
        self::assertLessThan(31 * 60, (new \DateTimeImmutable($expires))->getTimestamp() - time());
        self::assertSame('t', $this->value("SELECT CASE WHEN until < now() + interval '31 minutes' THEN 't' END FROM journal.preview_key"));
    }

    public function testADayThatThereIsNotIsNoMoment(): void
    {
        foreach (['0000-00-00', '2026-02-30', '@253402300800', 'tomorrow', '9999-12-31T23:59:59-12:00'] as $at) {
            $this->send('POST', '/api/previews', ['at' => $at]);
            self::assertSame(422, $this->code(), $at);
        }
    }

    /** What all addresses of a new preview begin with. */
    private function opened(): string
    {
        $url = $this->at($this->send('POST', '/api/previews', []), 'url');

        return \is_string($url) ? rtrim((string) parse_url($url, \PHP_URL_PATH), '/') : '';
    }

    private function signOut(): void
    {
        $token = $this->browser->request('GET', '/')->filter('meta[name="sign-out-token"]')->attr('content');
        $this->browser->request('POST', '/sign-out', ['_csrf_token' => $token]);
        self::assertSame(302, $this->code());
        self::assertStringContainsString('sign-in', (string) $this->header('Location'));
    }

    /** @return array{int, bool} status, and whether the workbench shows */
    private function looked(string $prefix): array
    {
        $kernel = new Kernel('test', false, 'storefront');
        $response = $kernel->handle(Request::create("$prefix/papers"));
        $kernel->shutdown();

        return [$response->getStatusCode(), str_contains((string) $response->getContent(), 'Sheets')];
    }
}
