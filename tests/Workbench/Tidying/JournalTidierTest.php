<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Tidying;

use Lantern\Core\Refused;
use Lantern\Core\Shop\ShopDetail;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Tidying\JournalTidier;

final class JournalTidierTest extends ShopTestCase
{
    public function testEndsCountsOfVisitsWhenTheShopSaysSo(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            DELETE FROM visit; DELETE FROM visited; DELETE FROM missed_visit; INSERT INTO visit
            VALUES ('/a', CURRENT_DATE - 401, 1), ('/a', CURRENT_DATE - 399, 1), ('/b', CURRENT_DATE - 500, 1), ('/c', CURRENT_DATE -
            50, 1); INSERT INTO missed_visit VALUES ('/x', CURRENT_DATE - 401, 1), ('/y', CURRENT_DATE, 1)
            SQL);
        self::assertSame('3', $this->value('SELECT count(*) FROM visited'));
        $gone = $this->tidier()->tidy();
        self::assertSame([2, 1, 1], [$gone['visits'], $gone['last visits'], $gone['missed visits']]);
        self::assertSame(['/a', '/c'], $this->workbench()->fetchFirstColumn('SELECT address FROM visited ORDER BY address'));
        $this->workbench()->executeStatement("INSERT INTO live.setting VALUES ('days_to_keep', '\"60\"')");
        self::assertSame([1, 1], [$this->tidier()->tidy()['visits'], (int) $this->value('SELECT count(*) FROM visit')]);
        self::assertSame('/c', $this->value('SELECT address FROM visit'));
    }

    public function testKeepsWhatIsStillNeeded(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO step (id, menu_id, person_id, move, inverse)
                VALUES ('01890000-0000-7000-8000-000000000001', gen_random_uuid(), gen_random_uuid(), '{}', '{}'),
                ('01ffffff-0000-7000-8000-000000000001', gen_random_uuid(), gen_random_uuid(), '{}', '{}');
            INSERT INTO job (id, kind, person_id, person, input, state, ended_at)
                VALUES (gen_random_uuid(), 'publish', gen_random_uuid(), 'Joss', '{}', 'done', now() - interval '91 days'),
                (gen_random_uuid(), 'publish', gen_random_uuid(), 'Joss', '{}', 'waiting', NULL);
            INSERT INTO preview_key VALUES ('old', now() - interval '1 minute'), ('new', now() + interval '1 minute');
            INSERT INTO catalogue.change (key, at) VALUES ('all', now() - interval '8 days');
            INSERT INTO redirect_tally VALUES (5), (-2)
            SQL);
        $redirects = $this->value('SELECT sum(more) FROM redirect_tally');
        $gone = $this->tidier()->tidy();
        self::assertSame([1, 1, 1, 1], [$gone['steps in menus'], $gone['jobs'], $gone['previews'], $gone['news of products']]);
        self::assertSame(
            ['1', 'new', 'waiting'],
            [$this->value('SELECT count(*) FROM step'), $this->value('SELECT key FROM preview_key'), $this->value('SELECT state FROM job')],
        );
        self::assertSame(
            [$redirects, '1'],
            [$this->value('SELECT sum(more) FROM redirect_tally'), $this->value('SELECT count(*) FROM redirect_tally')],
            'as many as before, in one row',
        );
        self::assertSame(0, array_sum($this->tidier()->tidy()), 'once is enough');
    }

    public function testForgetsAddressesThatNobodySaidYesTo(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.subscriber (id, list, address, state, asked_at)
            SELECT gen_random_uuid(), 'Letters', state || days || '@example.org', state, now() - make_interval(days => days)
            FROM unnest(ARRAY['asked', 'confirmed', 'left']) AS state, unnest(ARRAY[30, 32]) AS days; INSERT INTO journal.mail
            VALUES (gen_random_uuid(), now() - interval '91 days', '', '', '')
            SQL);
        $gone = $this->tidier()->tidy();
        self::assertSame([1, 1], [$gone['unanswered sign-ups'], $gone['kept mails']]);
        self::assertSame('0', $this->value("SELECT count(*) FROM journal.subscriber WHERE address = 'asked32@example.org'"));
        self::assertSame('5', $this->value('SELECT count(*) FROM journal.subscriber'));
    }

    /** Whoever leaves a shop alone for a year finds nothing that piled up in it. */
    public function testNothingPilesUp(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.letter_sent SELECT gen_random_uuid(), now() - make_interval(days => d) FROM unnest(ARRAY[89, 91]) d;
            INSERT INTO journal.own_session (id, person_id, begun_at, seen_at, network, browser)
                SELECT gen_random_uuid(), (SELECT id FROM journal.person
                LIMIT 1), now() - make_interval(hours => h), now() - make_interval(hours => h), '', '' FROM unnest(ARRAY[11, 13]) h;
            INSERT INTO journal.sign_up_asked SELECT '192.0.2.' || h, now() - make_interval(hours => h) FROM unnest(ARRAY[23, 25]) h;
            INSERT INTO journal.outside_host SELECT 'h' || h || '.example', now() - make_interval(hours => h) FROM unnest(ARRAY[23, 25]) h;
            INSERT INTO journal.set_aside (finding_id, reason, person, until, at)
                SELECT 'f' || d, '', '', now() - make_interval(days => d), now() - interval '1 year' FROM unnest(ARRAY[89, 91]) d;
            INSERT INTO journal.set_aside (finding_id, reason, person, until, at)
                VALUES ('for good', '', '', NULL, now() - interval '9 years');
            INSERT INTO journal.cache_items SELECT 'limit' || s, '', 60, extract(epoch FROM now())::int - s FROM unnest(ARRAY[30, 90]) s;
            INSERT INTO journal.attempt (day, what, network, account, person_id, times)
                SELECT CURRENT_DATE - d, 'sign-in-failed', '', '', '00000000-0000-0000-0000-000000000000', 1 FROM unnest(ARRAY[0, 3]) d
            SQL);
        $gone = $this->tidier()->tidy();
        foreach ([
            'letters that were sent',
            'sessions that are over',
            'networks that signed up',
            'hosts to be patient with',
            'notes of what was set aside',
            'counts of limits',
            'attempts',
        ] as $what) {
            self::assertSame(1, $gone[$what], $what);
        }
        self::assertSame(0, array_sum($this->tidier()->tidy()), 'what is younger stays');
    }

    public function testSaysHowManyDaysThereCanBe(): void
    {
        self::assertSame('31', ShopDetail::DaysToKeep->checked(' 31 '));
        self::assertSame('', ShopDetail::DaysToKeep->checked(''));
        $this->expectException(Refused::class);
        $this->expectExceptionMessage('from 31 to 3660');
        ShopDetail::DaysToKeep->checked('30');
    }

    private function tidier(): JournalTidier
    {
        return $this->service(JournalTidier::class);
    }
}
