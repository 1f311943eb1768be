<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Finding;

use Lantern\Demo\DemoId;
use Lantern\Tests\Admin\ApiTestCase;

final class FindingsTest extends ApiTestCase
{
    public function testWhatIsWrongByWhatIsWrong(): void
    {
        $found = $this->get('/api/findings');
        $groups = $this->at($found, 'groups');
        self::assertIsArray($groups);
        self::assertTrue($this->at($groups, 0, 'broken'), 'what is broken comes first');
        $kinds = array_column($groups, 'count', 'kind');
        self::assertSame([12, 1, 1], [$kinds['link-over-redirect'], $kinds['link-closed'], $kinds['sign-up-twice']]);
        self::assertSame(array_sum($kinds), $this->at($found, 'outlook', 'wrong'));
        self::assertSame(['link-closed'], array_column($this->groupsAt('/api/findings?q=autumn+workshop'), 'kind'));
        self::assertSame([], $this->groupsAt('/api/findings?q=100%25'));
        self::assertSame([], $this->groupsAt('/api/findings?stand=comes'));
        $this->get('/api/findings?stand=elsewhere');
        self::assertSame(422, $this->answered());
        self::assertCount(12, $this->idsAt('/api/findings/page?kind=link-over-redirect'));
        $after = $this->idsAt('/api/findings/page?kind=link-over-redirect')[3];
        self::assertCount(8, $this->idsAt('/api/findings/page?kind=link-over-redirect&after='.$after));
        $this->get('/api/findings/page?kind=nothing');
        self::assertSame(404, $this->answered());
    }

    public function testATableOfPlacesTellsWhatIsBrokenFromWhatIsNot(): void
    {
        $marks = function (string $words): array {
            $row = $this->at($this->get("/api/places?q=$words"), 'rows', 0);
            self::assertIsArray($row);

            return [$row['findings'] ?? null, $row['broken'] ?? null];
        };
        self::assertSame([2, 1], $marks('three+days'));
        self::assertSame([1, 0], $marks('forty+colours'));
        self::assertSame([0, 0], $marks('awl,+fine'));
    }

    public function testMendsAreEditsAndTheTrayKnows(): void
    {
        $id = $this->idsAt('/api/findings/page?kind=link-closed')[0];
        self::assertNotSame([], $this->at($this->get("/api/findings/$id/targets"), 'relatives'));
        $done = $this->send(
            'POST',
            '/api/findings/mends',
            ['findings' => [$id], 'mend' => 'lead-elsewhere', 'to' => DemoId::of('categories/tools')],
        );
        self::assertSame('Three days in October: lead it to another place.', $this->at($done, 'sentence'));
        self::assertSame(
            [1, 0],
            [$this->at($this->get('/api/findings/outlook'), 'mends'), $this->at($this->get('/api/findings/outlook'), 'breaks')],
        );
        self::assertSame(['link-closed'], array_column($this->groupsAt('/api/findings?stand=goes'), 'kind'));
        $this->send('POST', '/api/findings/mends', ['findings' => [$id], 'mend' => 'take-out']);
        self::assertSame(422, $this->answered());
        $this->send('POST', '/api/undo');
        self::assertSame(0, $this->at($this->get('/api/findings/outlook'), 'mends'));
    }

    public function testLikelyPlacesAreFoundForWordsInAnyQuotes(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE words SET html = html || '<p><a href="/nowhere/at-all">‘Marbled papers’ and “ours”</a></p>' WHERE id = ?
            SQL, [DemoId::of('pages/makers')]);
        $this->get('/api/findings');
        $id = array_values(array_filter($this->idsAt('/api/findings/page?kind=link-nowhere&q=nowhere')))[0];
        $this->get("/api/findings/$id/targets");
        self::assertSame(200, $this->answered());
    }

    public function testWhereNothingIsAlikeThePlaceAboveTheAddressIsLikely(): void
    {
        $id = $this->idsAt('/api/findings/page?kind=redirect-nowhere')[0];
        $relatives = $this->at($this->get("/api/findings/$id/targets"), 'relatives');
        self::assertIsArray($relatives);
        self::assertContains('stands above this address', array_column($relatives, 'why'));
        self::assertContains('/about-us', array_column(array_column($relatives, 'place'), 'address'));
    }

    public function testWhatCannotBeIsRefusedWithAReason(): void
    {
        $id = $this->idsAt('/api/findings/page?kind=link-closed')[0];
        foreach ([
            ['findings' => [$id], 'mend' => 'refer'],
            ['findings' => [$id], 'mend' => 'lead-elsewhere'],
            ['findings' => [$id], 'mend' => 'lead-elsewhere', 'to' => DemoId::of('pages/autumn-workshop')],
            ['findings' => [$id], 'mend' => 'anything'],
            ['findings' => [], 'mend' => 'take-out'],
            ['findings' => ['nothing'], 'mend' => 'take-out'],
        ] as $body) {
            $this->send('POST', '/api/findings/mends', $body);
            self::assertSame(422, $this->answered(), json_encode($body, \JSON_THROW_ON_ERROR));
        }
    }

    public function testAFindingIsSetAsideAndTakenUp(): void
    {
        $id = $this->idsAt('/api/findings/page?kind=lists-nothing')[0];
        $this->send('PUT', "/api/findings/$id/aside", ['reason' => ' ']);
        self::assertSame(422, $this->answered());
        $this->send('PUT', "/api/findings/$id/aside", ['reason' => 'It fills in December', 'until' => '2001-01-01']);
        self::assertSame(422, $this->answered());
        $aside = $this->send('PUT', "/api/findings/$id/aside", ['reason' => 'It fills in December', 'until' => '2099-12-01']);
        self::assertSame(
            ['It fills in December', 'Edda Marlowe'],
            [$this->at($aside, 'setAside', 'reason'), $this->at($aside, 'setAside', 'person')],
        );
        self::assertSame([], $this->groupsAt('/api/findings?q=winter+window'));
        self::assertSame(['lists-nothing'], array_column($this->groupsAt('/api/findings?aside=yes'), 'kind'));
        $this->workbench()->executeStatement("UPDATE journal.set_aside SET until = now() - interval '1 minute'");
        self::assertSame(
            ['lists-nothing'],
            array_column($this->groupsAt('/api/findings?q=winter+window'), 'kind'),
            'until then, and no longer',
        );
        $this->send('DELETE', "/api/findings/$id/aside");
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.set_aside'));
        $this->send('PUT', '/api/findings/00000000000000000000/aside', ['reason' => 'There is none']);
        self::assertSame(404, $this->answered());
    }

    public function testMarksAndThePictureOfTheShop(): void
    {
        $footer = DemoId::of('menus/footer-shop');
        self::assertSame([$footer => 1], $this->at($this->get("/api/findings/marks?ids=$footer,".DemoId::of('pages/paying')), 'counts'));
        self::assertCount(1, (array) $this->at($this->get("/api/findings/within/$footer"), 'findings'));
        $places = $this->at($this->get('/api/findings/map'), 'places');
        self::assertIsArray($places);
        self::assertSame(['/', 0], [$this->at($places, 0, 'address'), $this->at($places, 0, 'steps')]);
        $wrong = array_column($places, 'wrong', 'address');
        self::assertGreaterThan(0, $wrong['/journal/three-days-in-october']);
        self::assertSame(1, array_column($places, 'steps', 'address')['/papers']);
    }

    public function testAViewerLooksButDoesNotMend(): void
    {
        $id = $this->idsAt('/api/findings/page?kind=link-closed')[0];
        $this->signIn('viewer');
        self::assertCount(1, $this->idsAt('/api/findings/page?kind=link-closed'));
        foreach ([
            ['POST', '/api/findings/mends', ['findings' => [$id], 'mend' => 'take-out']],
            ['PUT', "/api/findings/$id/aside", ['reason' => 'x']],
            ['POST', '/api/findings/outside', []],
        ] as [$method, $path, $body]) {
            $this->send($method, $path, $body);
            self::assertSame(403, $this->answered(), $path);
        }
        self::assertTrue(
            $this->at($this->send('PUT', '/api/morning-mail', ['wanted' => true]), 'wanted'),
            'a mail in the morning is for whoever wants it',
        );
    }

    public function testOtherWebSitesAreAskedByAJob(): void
    {
        self::assertSame('outside', $this->at($this->send('POST', '/api/findings/outside'), 'kind'));
        self::assertSame(202, $this->answered());
        $this->send('POST', '/api/findings/outside');
        self::assertSame(422, $this->answered(), 'one at a time');
    }

    private function answered(): int
    {
        return $this->browser->getResponse()->getStatusCode();
    }

    /** @return list<array<string, mixed>> */
    private function groupsAt(string $path): array
    {
        $groups = $this->at($this->get($path), 'groups');
        self::assertIsArray($groups);

        /** @var list<array<string, mixed>> $groups */
        return $groups;
    }

    /** @return list<string> ids */
    private function idsAt(string $path): array
    {
        $findings = $this->at($this->get($path), 'findings');
        self::assertIsArray($findings);

        return array_values(array_filter(array_column($findings, 'id'), \is_string(...)));
    }
}
