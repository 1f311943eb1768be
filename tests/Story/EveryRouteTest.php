<?php

declare(strict_types=1);

namespace Lantern\Tests\Story;

use Lantern\Admin\Account\Account;
use Lantern\Core\Person\SignInLevel;
use Lantern\Tests\Admin\ApiTestCase;
use Lantern\Workbench\People\OwnSessions;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Routing\Route;
use Symfony\Component\Routing\RouterInterface;

/** Every route, with everybody: whoever may not is told so, however the path is written, and whoever may is not. */
final class EveryRouteTest extends ApiTestCase
{
    /** Each with all that those below may do. */
    private const ROLES = ['anonymous', 'viewer', 'editor', 'publisher', 'owner'];

    /** Who it takes, where that is not: to look a viewer, to change anything an editor. By name of the route; as patterns. */
    private const LEAST = [
        '/^(sign_in|welcome|password_forgotten|password_new|first_start|health|metrics)$/' => 'anonymous',
        '/^(people|audit|letters|house_rules)(_|$)/' => 'owner',
        '/^publish$/' => 'publisher',
        '/^(previews|answers|morning_mail|account_\w+)$/' => 'viewer',
    ];

    /** Whoever has a role has come further than this. */
    private const ON_THE_WAY = ['second_factor'];

    /** @return iterable<string, array{string}> */
    public static function roles(): iterable
    {
        foreach (self::ROLES as $role) {
            yield $role => [$role];
        }
    }

    #[DataProvider('roles')]
    public function testEveryRouteAsksWhoComes(string $role): void
    {
        $this->as($role);
        // Nothing is written by what is asked here, so one program may answer all of it.
        $this->browser->disableReboot();
        $asked = 0;
        foreach ($this->service(RouterInterface::class)->getRouteCollection() as $name => $route) {
            if (\in_array($name, ['sign_out', ...self::ON_THE_WAY], true)) {
                continue;
            }
            foreach ($route->getMethods() ?: ['GET'] as $method) {
                foreach (self::writtenAs(self::path($route)) as $path) {
                    $may = array_search($role, self::ROLES, true) >= array_search($this->least($name, $method), self::ROLES, true);
                    $code = $this->codeOf($method, $path);
                    // What is written in such a way may match nothing; what it must not do is let somebody in.
                    self::assertSame(!$may, \in_array($code, [401, 403], true), "$method $path as $role answered $code");
                    ++$asked;
                }
            }
        }
        self::assertGreaterThan(200, $asked);
    }

    public function testWithoutTheSecondFactorNothingOpensButItsPage(): void
    {
        $this->workbench()->executeStatement("UPDATE journal.person SET factor = 'locked' WHERE role = 'owner'");
        $this->signInStanding('owner', SignInLevel::FactorAwaited);
        foreach ($this->service(RouterInterface::class)->getRouteCollection() as $name => $route) {
            if ('anonymous' === $this->least($name, 'GET') || \in_array($name, ['sign_out', 'second_factor'], true)) {
                continue;
            }
            foreach ($route->getMethods() ?: ['GET'] as $method) {
                $code = $this->codeOf($method, self::path($route));
                self::assertContains($code, [302, 401], "$method $name answered $code");
                302 !== $code || self::assertSame('/second-factor', $this->header('Location'));
            }
        }
        $this->browser->request('GET', '/second-factor');
        self::assertSame(200, $this->code());
    }

    public function testWhereASecondFactorIsRequiredWhoeverHasNoneCanGetOneAndNothingElse(): void
    {
        $this->workbench()->executeStatement("INSERT INTO journal.house_rule VALUES ('second-factor', 'yes')");
        $this->signInStanding('owner', SignInLevel::WithoutFactor);
        foreach ($this->service(RouterInterface::class)->getRouteCollection() as $name => $route) {
            if ('anonymous' === $this->least($name, 'GET') || \in_array($name, ['sign_out', 'second_factor'], true)) {
                continue;
            }
            foreach ($route->getMethods() ?: ['GET'] as $method) {
                $code = $this->codeOf($method, self::path($route));
                $may = \in_array($name, ['shell', 'session', 'account_factor_begin', 'account_factor_confirm'], true);
                self::assertSame(!$may, 403 === $code, "$method $name answered $code");
            }
        }
    }

    /** Whoever is signed in, however far, can sign out: of it the walks above know nothing, since it takes a token. */
    #[DataProvider('standings')]
    public function testEverybodyCanSignOut(string $role, SignInLevel $standing): void
    {
        if (SignInLevel::FactorAwaited === $standing) {
            $this->workbench()->executeStatement("UPDATE journal.person SET factor = 'locked' WHERE role = ?", [$role]);
        }
        if (SignInLevel::WithoutFactor === $standing) {
            $this->workbench()->executeStatement("INSERT INTO journal.house_rule VALUES ('second-factor', 'yes')");
        }
        $this->workbench()->executeStatement('DELETE FROM journal.own_session');
        $this->signInStanding($role, $standing);
        $page = $this->browser->request('GET', SignInLevel::FactorAwaited === $standing ? '/second-factor' : '/');
        $token = SignInLevel::FactorAwaited === $standing
            ? $page->filter('form[action="/sign-out"] input[name="_csrf_token"]')->attr('value')
            : $page->filter('meta[name="sign-out-token"]')->attr('content');
        $this->browser->request('POST', '/sign-out', ['_csrf_token' => $token]);
        self::assertSame(302, $this->code());
        self::assertStringEndsWith('/sign-in', (string) $this->header('Location'));
        self::assertSame('"cache"', $this->header('Clear-Site-Data'));
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.own_session WHERE person_id = ?', $this->person($role)->id));
        $this->browser->request('GET', '/api/session');
        self::assertSame(401, $this->code());
    }

    /** @return iterable<string, array{string, SignInLevel}> */
    public static function standings(): iterable
    {
        foreach (['viewer', 'editor', 'publisher', 'owner'] as $role) {
            yield $role => [$role, SignInLevel::Whole];
        }
        yield 'a viewer whose second factor is awaited' => ['viewer', SignInLevel::FactorAwaited];
        yield 'a viewer who has to get one' => ['viewer', SignInLevel::WithoutFactor];
    }

    private function signInStanding(string $role, SignInLevel $standing): void
    {
        $this->browser->getCookieJar()->clear();
        $person = $this->person($role);
        $session = $this->service(OwnSessions::class)->begin($person, '', '');
        $this->browser->loginUser(new Account($person, $standing, $session));
        $this->csrf = 'none';
    }

    private function as(string $role): void
    {
        if ('anonymous' === $role) {
            $this->browser->getCookieJar()->clear();
        } else {
            $this->signIn($role);
        }
    }

    /** Without a token nothing is changed by what is asked here; whether somebody may is judged first. */
    private function codeOf(string $method, string $path): int
    {
        $this->browser->request(
            $method,
            $path,
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: \in_array($method, ['GET', 'HEAD'], true) ? null : '{}',
        );
        $code = $this->code();
        if (403 === $code && str_contains((string) $this->browser->getResponse()->getContent(), 'This page is too old')) {
            // The guard of forged requests: whoever came this far may.
            return 200;
        }

        // A page of the interface sends whoever is not signed in to the page where one signs in.
        return 302 === $code && str_ends_with((string) $this->header('Location'), '/sign-in') ? 401 : $code;
    }

    private function least(string $name, string $method): string
    {
        foreach (self::LEAST as $pattern => $role) {
            if (1 === preg_match($pattern, $name)) {
                return $role;
            }
        }

        return \in_array($method, ['GET', 'HEAD'], true) ? 'viewer' : 'editor';
    }

    private static function path(Route $route): string
    {
        return (string) preg_replace_callback('/\{!?(\w+)[^}]*\}/', static fn (array $found): string => match ($found[1]) {
            'number' => '1',
            'format' => strtok($route->getRequirement('format') ?? '', '|') ?: 'csv',
            'name' => str_repeat('a', 64).'.png',
            'token' => str_repeat('a', 48),
            'path' => 'menus',
            default => '01930000-0000-7000-8000-000000000000',
        }, $route->getPath());
    }

    /** @return list<string> the same path, as somebody might write it who wants to walk round a guard */
    private static function writtenAs(string $path): array
    {
        $ways = [$path];
        if (1 === preg_match('~^/api/(.)~', $path, $first)) {
            $ways[] = 0 === \strlen($path) % 2 ? '/api/'.\sprintf('%%%02X', \ord($first[1])).substr($path, 6) : '/%61pi'.substr($path, 4);
        }

        return $ways;
    }
}
