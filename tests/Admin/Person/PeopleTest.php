<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Person;

use Lantern\Core\Person\Actor;
use Lantern\Core\Person\Role;
use Lantern\Core\Person\Totp;
use Lantern\Tests\Admin\ApiTestCase;
use Lantern\Workbench\Audit\AuditLog;
use Lantern\Workbench\People\HouseRules;
use Lantern\Workbench\People\OwnSessions;
use Lantern\Workbench\People\TeamEditor;
use Symfony\Component\Clock\Clock;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\NativeClock;
use Symfony\Component\DomCrawler\Crawler;

final class PeopleTest extends ApiTestCase
{
    private const PASSWORD = 'tin heron quarry lace';

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('owner');
    }

    protected function tearDown(): void
    {
        Clock::set(new NativeClock());
        parent::tearDown();
    }

    public function testSomebodyIsInvitedComesOnceAndIsKnownByRole(): void
    {
        $token = $this->invite('Nell@Tansyandrook.example', 'editor');
        $page = $this->follow("/welcome/$token");
        self::assertStringContainsString('Welcome, Nell Askew', $page->filter('h1')->text());
        $this->choose("/welcome/$token", 'short', 'short');
        self::assertSame(422, $this->code());
        $this->choose("/welcome/$token", self::PASSWORD, 'another one altogether');
        self::assertStringContainsString('not the same', $this->alert());
        $this->choose("/welcome/$token", str_repeat('x', 5000), str_repeat('x', 5000));
        self::assertStringContainsString('at most 256', $this->alert());
        $this->choose("/welcome/$token", self::PASSWORD, self::PASSWORD);
        self::assertSame('/', $this->header('Location'));
        self::assertSame('editor', $this->at($this->get('/api/session'), 'role'), 'whoever set the password is signed in');
        self::assertFalse($this->at($this->get('/api/session'), 'canPublish'));

        $this->follow("/welcome/$token");
        self::assertSame(404, $this->code(), 'once');
        $this->signInBy('nell@tansyandrook.example', self::PASSWORD);
        self::assertSame('Nell Askew', $this->at($this->get('/api/session'), 'name'));
    }

    public function testAnInvitationHoldsForThreeDaysAndTheLatestAlone(): void
    {
        $clock = $this->clock();
        $first = $this->service(TeamEditor::class)->invite('nell@tansyandrook.example', 'Nell', Role::Viewer, Actor::commandLine('Imke'));
        $second = $this->service(TeamEditor::class)->invite('nell@tansyandrook.example', 'Nell', Role::Viewer, Actor::commandLine('Imke'));
        $this->follow("/welcome/$first");
        self::assertSame(404, $this->code());
        $clock->modify('+71 hours');
        $this->follow("/welcome/$second");
        self::assertSame(200, $this->code());
        $clock->modify('+2 hours');
        $this->follow("/welcome/$second");
        self::assertSame(404, $this->code());
        self::assertStringContainsString('older than three days', (string) $this->browser->getResponse()->getContent());
    }

    public function testTheLastOwnerCannotGo(): void
    {
        $owner = $this->person('owner')->id;
        $this->send('PUT', "/api/people/$owner/role", ['role' => 'viewer']);
        self::assertSame(422, $this->code());
        $said = $this->send('DELETE', "/api/people/$owner");
        self::assertSame(422, $this->code());
        self::assertIsString($this->at($said, 'detail'));
        $this->send('PUT', '/api/people/'.$this->person('editor')->id.'/role', ['role' => 'owner']);
        self::assertSame(200, $this->code());
        $this->send('PUT', "/api/people/$owner/role", ['role' => 'viewer']);
        self::assertSame(200, $this->code());
    }

    public function testWhoIsLetGoIsSignedOutAtOnceAndStaysInTheBooks(): void
    {
        $editor = $this->person('editor');
        $session = $this->service(OwnSessions::class)->begin($editor, '', '');
        $people = $this->send('DELETE', "/api/people/$editor->id");
        self::assertSame(200, $this->code());
        self::assertNull($this->service(OwnSessions::class)->see($session, $editor));
        $left = array_values(array_filter(
            (array) $this->at($people, 'people'),
            fn (mixed $one): bool => $this->at($one, 'id') === $editor->id,
        ));
        self::assertNotNull($this->at($left, 0, 'leftAt'));
        $this->signInBy('editor@tansyandrook.example', 'lantern-editor');
        $this->get('/api/session');
        self::assertSame(401, $this->code());
    }

    public function testAForgottenPasswordIsReplacedByALinkThatWorksOnce(): void
    {
        $this->browser->getCookieJar()->clear();
        $form = $this->browser->request('GET', '/password')->filter('form')->form();
        $said = [];
        foreach (['editor@tansyandrook.example', 'nobody@tansyandrook.example'] as $mail) {
            $this->browser->submit($form, ['mail' => $mail]);
            $said[] = (string) $this->browser->getResponse()->getContent();
        }
        self::assertSame($said[0], $said[1], 'nobody learns who works here');

        $team = $this->service(TeamEditor::class);
        self::assertNull($team->askForPassword('nobody@tansyandrook.example'));
        $token = $team->askForPassword('editor@tansyandrook.example');
        $this->choose("/password/$token", self::PASSWORD, self::PASSWORD);
        self::assertSame(200, $this->code());
        $this->follow("/password/$token");
        self::assertSame(404, $this->code());
        $this->signInBy('editor@tansyandrook.example', self::PASSWORD);
        self::assertSame('editor', $this->at($this->get('/api/session'), 'role'));
        // A new password is no way round the second factor.
        $this->workbench()->executeStatement("UPDATE journal.person SET factor = 'locked' WHERE role = 'editor'");
        $this->choose(
            '/password/'.$team->askForPassword('editor@tansyandrook.example'),
            'slow copper orchard tide',
            'slow copper orchard tide',
        );
        $this->signInBy('editor@tansyandrook.example', 'slow copper orchard tide');
        self::assertSame('/second-factor', $this->header('Location'));
    }

    public function testSigningOutEndsTheSessionAndWhatTheBrowserKept(): void
    {
        $session = $this->at($this->get('/api/account'), 'sessions', 0, 'id');
        self::assertIsString($session);
        $token = $this->at($this->get('/api/session'), 'signOutToken');
        $this->browser->request('POST', '/sign-out', ['_csrf_token' => $token]);
        self::assertSame('"cache"', $this->header('Clear-Site-Data'));
        self::assertNull($this->service(OwnSessions::class)->see($session, $this->person('owner')));
        $this->get('/api/session');
        self::assertSame(401, $this->code());
    }

    public function testANewPasswordEndsAllOtherSessionsAndThisOneGoesOn(): void
    {
        $this->signIn('editor');
        $other = $this->service(OwnSessions::class)->begin($this->person(), '', 'Mozilla/5.0 (Windows NT 10.0) Firefox/140.0');
        self::assertContains('Firefox on Windows', array_column((array) $this->at($this->get('/api/account'), 'sessions'), 'browser'));
        $this->send('PUT', '/api/account/password', ['old' => 'a wrong one', 'password' => self::PASSWORD]);
        self::assertSame(422, $this->code());
        foreach (['passwordpassword', 'Tansy & Rook 12', 'editor@tansyandrook.example', 'Joss Tamblyn 1', 'Gentle Lantern'] as $guessed) {
            $this->send('PUT', '/api/account/password', ['old' => 'lantern-editor', 'password' => $guessed]);
            self::assertSame(422, $this->code(), $guessed);
        }
        $this->send('PUT', '/api/account/password', ['old' => 'lantern-editor', 'password' => self::PASSWORD]);
        self::assertSame(200, $this->code());
        self::assertNull($this->service(OwnSessions::class)->see($other, $this->person()));
        $this->get('/api/session');
        self::assertSame(200, $this->code(), 'whoever changed it stays signed in');
    }

    /** NIST SP 800-63B, 3.1.1.2: two keyboards put one letter together in two ways. */
    public function testAPasswordIsItsLettersHoweverTheyArePutTogether(): void
    {
        $composed = 'zwölf größere Körbe';
        $taken = (string) \Normalizer::normalize($composed, \Normalizer::FORM_D);
        self::assertNotSame($composed, $taken);
        $this->send('PUT', '/api/account/password', ['old' => 'lantern-owner', 'password' => $taken]);
        self::assertSame(200, $this->code());
        foreach ([$composed, $taken] as $typed) {
            $this->signInBy('owner@tansyandrook.example', $typed);
            self::assertSame('owner', $this->at($this->get('/api/session'), 'role'));
        }
        // One that was hashed as it came, before that, lets in, too.
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE journal.person SET password = ? WHERE role = 'owner'
            SQL, [password_hash($taken, \PASSWORD_ARGON2ID, ['memory_cost' => 1024])]);
        $this->signInBy('owner@tansyandrook.example', $taken);
        self::assertSame('owner', $this->at($this->get('/api/session'), 'role'));
    }

    public function testAFactorThatGoesEndsAllOtherSessions(): void
    {
        $this->workbench()->executeStatement("UPDATE journal.person SET factor = 'locked' WHERE role = 'owner'");
        $this->workbench()->executeStatement('UPDATE journal.own_session SET factor_shown = true');
        $other = $this->service(OwnSessions::class)->begin($this->person('owner'), '', '');
        $this->send('DELETE', '/api/account/second-factor', ['password' => 'lantern-owner']);
        self::assertSame(200, $this->code());
        self::assertNull($this->service(OwnSessions::class)->see($other, $this->person('owner')));
        $this->get('/api/session');
        self::assertSame(200, $this->code(), 'whoever removed it stays signed in');
    }

    /** Thirty a quarter of an hour for ever would be enough to guess one in the end. */
    public function testWrongCodesAreFewInADayHoweverPatientSomebodyIs(): void
    {
        $clock = $this->clock();
        $this->workbench()->executeStatement("UPDATE journal.person SET factor = 'locked' WHERE role = 'owner'");
        $taken = 0;
        for ($quarter = 0; $quarter < 40; ++$quarter) {
            $this->signInBy('owner@tansyandrook.example', 'lantern-owner');
            for ($n = 0; $n < 5; ++$n) {
                $this->show(\sprintf('%06d', 100 * $quarter + $n));
                $taken += 422 === $this->code() ? 1 : 0;
            }
            $clock->modify('+16 minutes');
        }
        self::assertLessThanOrEqual(100, $taken);
        self::assertGreaterThan(20, $taken);
    }

    public function testASessionThatIsEndedElsewhereIsOver(): void
    {
        $mine = $this->at($this->get('/api/account'), 'sessions', 0, 'id');
        self::assertIsString($mine);
        $this->service(OwnSessions::class)->end($mine, $this->person('owner'));
        $this->get('/api/session');
        self::assertSame(401, $this->code());
    }

    public function testASessionEndsByItselfWhereNobodyUsesItAndHoweverMuchItIsUsed(): void
    {
        $clock = $this->clock();
        $sessions = $this->service(OwnSessions::class);
        $person = $this->person();
        $idle = $sessions->begin($person, '', '');
        $clock->modify('+3 hours +1 minute');
        self::assertNull($sessions->see($idle, $person));
        $busy = $sessions->begin($person, '', '');
        for ($hour = 0; $hour < 6; ++$hour) {
            $clock->modify('+119 minutes');
            self::assertNotNull($sessions->see($busy, $person));
        }
        $clock->modify('+20 minutes');
        self::assertNull($sessions->see($busy, $person));
    }

    public function testASecondFactorIsSetUpAskedForAndTakenOnce(): void
    {
        $clock = $this->clock();
        $this->send('POST', '/api/account/second-factor', ['password' => 'wrong']);
        self::assertSame(422, $this->code());
        $begun = $this->send('POST', '/api/account/second-factor', ['password' => 'lantern-owner']);
        $secret = $this->at($begun, 'secret');
        self::assertIsString($secret);
        $totp = Totp::fromBase32($secret);
        self::assertNotNull($totp);
        $this->send('POST', '/api/account/second-factor/code', ['code' => $totp->code($clock->now()->modify('-1 hour'))]);
        self::assertSame(422, $this->code(), 'a clock that is an hour off is told');
        $codes = $this->at(
            $this->send('POST', '/api/account/second-factor/code', ['code' => $totp->code($clock->now()->modify('-1 minute'))]),
            'codes',
        );
        self::assertIsArray($codes);
        self::assertCount(10, $codes);
        $this->get('/api/session');
        self::assertSame(200, $this->code(), 'whoever set it up stays signed in');

        $clock->modify('+5 minutes');
        $this->signInBy('owner@tansyandrook.example', 'lantern-owner');
        self::assertSame('/second-factor', $this->header('Location'));
        $this->get('/api/session');
        self::assertSame(401, $this->code());
        $code = $totp->code($clock->now());
        $this->show('000000');
        self::assertSame(422, $this->code());
        $this->show($code);
        self::assertSame('/', $this->header('Location'));
        self::assertSame('owner', $this->at($this->get('/api/session'), 'role'));

        $this->signInBy('owner@tansyandrook.example', 'lantern-owner');
        $this->show($code);
        self::assertSame(422, $this->code(), 'no code is taken twice');
        $paper = $codes[0];
        self::assertIsString($paper);
        $this->show(strtoupper(str_replace('-', ' ', $paper)));
        self::assertSame('/', $this->header('Location'));
        $this->signInBy('owner@tansyandrook.example', 'lantern-owner');
        $this->show($paper);
        self::assertSame(422, $this->code(), 'nor is one from paper');
    }

    public function testWrongCodesAreHeldBackHoweverManySessionsThereAre(): void
    {
        $this->workbench()->executeStatement("UPDATE journal.person SET factor = 'locked' WHERE role = 'owner'");
        $this->signInBy('owner@tansyandrook.example', 'lantern-owner');
        for ($n = 0; $n < 5; ++$n) {
            $this->show("00000$n");
            self::assertSame(422, $this->code());
        }
        $this->show('000009');
        self::assertSame(429, $this->code());
    }

    public function testASecondFactorIsAskedOfEverybodyOnlyByWhoHasOne(): void
    {
        $this->send('PUT', '/api/house-rules', ['requiresFactor' => true, 'auditDays' => 365]);
        self::assertSame(422, $this->code());
        $this->workbench()->executeStatement("UPDATE journal.person SET factor = 'locked' WHERE role = 'owner'");
        $this->workbench()->executeStatement('UPDATE journal.own_session SET factor_shown = true');
        $this->send('PUT', '/api/house-rules', ['requiresFactor' => true, 'auditDays' => 365]);
        self::assertSame(200, $this->code());
        $this->send('PUT', '/api/house-rules', ['requiresFactor' => false, 'auditDays' => 5]);
        self::assertSame(422, $this->code());
    }

    public function testAnEditorAsksForAReleaseAndPublishingSettlesIt(): void
    {
        $this->signIn('editor');
        $this->send('POST', '/api/release-requests', ['note' => "  The autumn papers\nare ready "]);
        self::assertSame(204, $this->code());
        $this->send('POST', '/api/release-requests', ['note' => str_repeat('x', 301)]);
        self::assertSame(422, $this->code());
        $this->send('POST', '/api/releases', ['seen' => '']);
        self::assertSame(403, $this->code());
        $this->signIn('publisher');
        self::assertSame('The autumn papers are ready', $this->at($this->get('/api/release-requests'), 0, 'note'));
        $this->workbench()->executeStatement("UPDATE place SET title = 'Sheets' WHERE address = '/papers'");
        $this->send('POST', '/api/releases', ['seen' => $this->at($this->get('/api/waiting'), 'state')]);
        self::assertSame(200, $this->code());
        self::assertSame([], $this->get('/api/release-requests'));
    }

    public function testWhatWasDoneIsFoundAndNothingCanChangeIt(): void
    {
        $this->send('PUT', '/api/people/'.$this->person('editor')->id.'/role', ['role' => 'publisher']);
        $found = $this->get('/api/audit?q=tamblyn+publisher');
        self::assertSame('Joss Tamblyn: from editor to publisher', $this->at($found, 'entries', 0, 'says'));
        self::assertSame('Imke Ravensworth', $this->at($found, 'entries', 0, 'person'));
        foreach (["UPDATE journal.audit SET person = 'x'", 'DELETE FROM journal.audit', 'TRUNCATE journal.audit'] as $sql) {
            $refused = '';
            try {
                $this->workbench()->transactional(fn () => $this->workbench()->executeStatement($sql));
            } catch (\Throwable $error) {
                $refused = $error->getMessage();
            }
            self::assertStringContainsString('The audit log is not changed', $refused, $sql);
        }
        ob_start();
        $this->browser->request('GET', '/api/audit.csv?q=tamblyn');
        $csv = $this->browser->getInternalResponse()->getContent();
        ob_end_clean();
        self::assertStringContainsString('Joss Tamblyn: from editor to publisher', $csv);
    }

    public function testWhatIsOlderThanTheOwnerWantsIsForgotten(): void
    {
        $log = $this->service(AuditLog::class);
        $this->service(HouseRules::class)->set(false, 365, $this->person('owner')->actor());
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.audit (at, person, what, about)
            VALUES (now() - interval '400 days', 'Imke', 'published', '{}'), (now() - interval '10 days', 'Imke', 'published', '{}')
            SQL);
        $before = (int) $this->value('SELECT count(*) FROM journal.audit');
        self::assertSame(1, $log->forget());
        self::assertSame($before - 1, (int) $this->value('SELECT count(*) FROM journal.audit'));
    }

    private function clock(): MockClock
    {
        $clock = new MockClock(new \DateTimeImmutable('now', new \DateTimeZone('UTC')));
        Clock::set($clock);

        return $clock;
    }

    private function invite(string $mail, string $role): string
    {
        $this->send('POST', '/api/people/invitations', ['mail' => $mail, 'name' => ' Nell  Askew', 'role' => $role]);
        self::assertSame(200, $this->code());
        $body = $this->value('SELECT body FROM message ORDER BY id DESC LIMIT 1');
        self::assertSame(1, preg_match('~/welcome/([0-9a-f]{48})~', stripslashes($body), $found), $body);

        return $found[1];
    }

    private function follow(string $path): Crawler
    {
        $this->browser->getCookieJar()->clear();

        return $this->browser->request('GET', $path);
    }

    private function choose(string $path, string $password, string $again): void
    {
        $this->browser->submit($this->follow($path)->filter('form')->form(), ['password' => $password, 'again' => $again]);
    }

    private function signInBy(string $mail, string $password): void
    {
        $this->browser->submit($this->follow('/sign-in')->filter('form')->form(), ['mail' => $mail, 'password' => $password]);
        302 !== $this->code() || $this->browser->request('GET', '/');
    }

    private function show(string $code): void
    {
        $this->browser->submit($this->browser->request('GET', '/second-factor')->filter('form')->form(), ['code' => $code]);
    }

    private function alert(): string
    {
        return (string) $this->browser->getCrawler()->filter('[role="alert"]')->text();
    }
}
