<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Place;

use Lantern\Core\Address\Address;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Closing;
use Lantern\Core\Place\CollectionRule;
use Lantern\Core\Place\FirstAddress;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Opening;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\PlaceParent;
use Lantern\Core\Place\Revision;
use Lantern\Core\Place\SearchListing;
use Lantern\Core\Place\Serving;
use Lantern\Core\Place\Title;
use Lantern\Core\Refused;
use Lantern\Tests\Core\Places;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RevisionTest extends TestCase
{
    public function testWhatIsNotNamedStaysAsItIs(): void
    {
        $before = new Place(
            'p',
            PlaceKind::Page,
            'Care',
            Address::parse('/care'),
            'g',
            Light::Quiet,
            new Opening(until: new \DateTimeImmutable('2030-01-01')),
            Audience::Customers,
            ClosedAnswer::Gone,
            null,
            new SearchListing(false, 'T', 'D'),
        );
        self::assertEquals($before, (new Revision())->appliedTo($before, self::shop()));
        $after = (new Revision(title: ' Care  of paper ', light: Light::Open, listing: new SearchListing(true)))->appliedTo(
            $before,
            self::shop(),
        );
        self::assertSame(
            ['Care of paper', Light::Open, true, ''],
            [$after->title, $after->light, $after->listing->listed, $after->listing->title],
        );
        self::assertEquals(
            [$before->opening, $before->audience, $before->closedAnswer, $before->parentId],
            [$after->opening, $after->audience, $after->closedAnswer, $after->parentId],
        );
    }

    /** @param \Closure(): mixed $change */
    #[DataProvider('refusals')]
    public function testWhatCannotBeIsRefusedWithItsField(\Closure $change, string $field, string $says): void
    {
        try {
            $change();
            self::fail('It was allowed.');
        } catch (Refused $refused) {
            self::assertSame($field, $refused->field);
            self::assertStringContainsString($says, $refused->getMessage());
        }
    }

    /** @return iterable<string, array{\Closure(): mixed, string, string}> */
    public static function refusals(): iterable
    {
        $apply = static fn (string $id, Revision $revision): Place => $revision->appliedTo(
            self::shop()->get($id) ?? throw new \LogicException(),
            self::shop(),
        );
        yield 'a title of nothing' => [static fn () => new Revision(title: " \u{a0}\t"), 'title', 'needs a title'];
        yield 'a title of 201' => [static fn () => new Revision(title: str_repeat('é', 201)), 'title', 'this one has 201'];
        yield 'a long description' => [static fn () => new Revision(summary: str_repeat('x', 501)), 'summary', 'at most 500'];
        yield 'a closed front page' => [static fn () => $apply('front', new Revision(light: Light::Closed)), 'light', 'quiet'];
        yield 'dates for the front page' => [
            static fn () => $apply('front', new Revision(opening: new Opening(new \DateTimeImmutable()))),
            'light',
            'always there',
        ];
        yield 'a front page for customers' => [
            static fn () => $apply('front', new Revision(audience: Audience::Customers)),
            'light',
            'for everyone',
        ];
        yield 'an end before the beginning' => [
            static fn () => new Opening(new \DateTimeImmutable('2027-02-01'), new \DateTimeImmutable('2027-01-01')),
            'closesOn',
            'before the beginning',
        ];
        yield 'elsewhere, but nowhere' => [static fn () => new Closing(ClosedAnswer::Elsewhere), 'closedTo', 'Choose the place'];
        yield 'closed onto itself' => [
            static fn () => $apply('page', new Revision(closing: new Closing(ClosedAnswer::Elsewhere, 'page'))),
            'closedTo',
            '/group/page → /group/page',
        ];
        yield 'closed in a circle' => [
            static fn () => $apply('page', new Revision(closing: new Closing(ClosedAnswer::Elsewhere, 'led'))),
            'closedTo',
            '/group/page → /led → /group/page',
        ];
        yield 'closed onto nothing' => [
            static fn () => $apply('page', new Revision(closing: new Closing(ClosedAnswer::Elsewhere, 'gone'))),
            'closedTo',
            'no longer there',
        ];
        yield 'a category below itself' => [
            static fn () => $apply('kits', new Revision(standing: new PlaceParent('kits'))),
            'parent',
            'below itself',
        ];
        yield 'a category below its child' => [
            static fn () => $apply('kits', new Revision(standing: new PlaceParent('first'))),
            'parent',
            'stands below “Kits” already',
        ];
        yield 'a category below its grandchild' => [
            static fn () => $apply('kits', new Revision(standing: new PlaceParent('deep'))),
            'parent',
            'stands below “Kits” already',
        ];
        yield 'a page below a category' => [
            static fn () => $apply('page', new Revision(standing: new PlaceParent('kits'))),
            'parent',
            'A page stands below a page group',
        ];
        yield 'a group within a group' => [
            static fn () => $apply('group', new Revision(standing: new PlaceParent('group2'))),
            'parent',
            'below no other place',
        ];
        yield 'a group within itself' => [
            static fn () => $apply('group', new Revision(standing: new PlaceParent('group'))),
            'parent',
            'below itself',
        ];
        yield 'below what is gone' => [
            static fn () => $apply('page', new Revision(standing: new PlaceParent('gone'))),
            'parent',
            'no longer there',
        ];
        yield 'a rule for a page' => [
            static fn () => $apply('page', new Revision(rule: CollectionRule::of('newest'))),
            'rule',
            'collection',
        ];
        yield 'a rule that is none' => [static fn () => CollectionRule::of('price'), 'rule', 'hand, tag'];
        yield 'a tag that is none' => [static fn () => CollectionRule::of('tag', ' '), 'rule', 'Choose the tag'];
        yield 'a page to download' => [static fn () => $apply('page', new Revision(serving: Serving::Download)), 'serving', 'Only a file'];
        yield 'a name with a slash' => [static fn () => new Revision(downloadName: '../x.pdf'), 'downloadName', 'no slashes'];
        yield 'a long listing' => [static fn () => new SearchListing(true, str_repeat('x', 201)), 'listingTitle', '201'];
        yield 'a long listed description' => [
            static fn () => new SearchListing(true, '', str_repeat('x', 501)),
            'listingDescription',
            '501',
        ];
    }

    public function testAPlaceMayCloseOntoAnOpenOneAndStandWhereItsKindStands(): void
    {
        $shop = self::shop();
        $page = $shop->get('page') ?? throw new \LogicException();
        $after = (new Revision(closing: new Closing(ClosedAnswer::Elsewhere, 'kits'), standing: new PlaceParent('group2')))->appliedTo(
            $page,
            $shop,
        );
        self::assertSame(['kits', 'group2'], [$after->closedTo, $after->parentId]);
        self::assertNull((new Revision(standing: new PlaceParent(null)))->appliedTo($page, $shop)->parentId);
        self::assertSame(
            'kits',
            (new Revision(standing: new PlaceParent('kits')))->appliedTo(
                $shop->get('other') ?? throw new \LogicException(),
                $shop,
            )->parentId,
        );
    }

    /** @param list<string> $taken */
    #[DataProvider('newPlaces')]
    public function testANewPlaceGetsAnAddressFromItsTitle(
        PlaceKind $kind,
        string $title,
        ?string $below,
        array $taken,
        string $address,
    ): void {
        $parent = null === $below ? null : new Place('g', PlaceKind::PageGroup, 'G', Address::parse($below));
        self::assertSame(
            $address,
            FirstAddress::of($kind, $title, $parent, static fn (Address $one): bool => \in_array($one->path, $taken, true))->path,
        );
    }

    /** @return iterable<array{PlaceKind, string, ?string, list<string>, string}> */
    public static function newPlaces(): iterable
    {
        yield [PlaceKind::Page, 'Über uns', null, [], '/uber-uns'];
        yield [PlaceKind::Page, 'Search', null, [], '/search-2'];
        yield [PlaceKind::Page, 'Care', '/guides', ['/guides/care', '/guides/care-2'], '/guides/care-3'];
        yield [PlaceKind::Policy, 'Returns', null, [], '/policies/returns'];
        yield [PlaceKind::Collection, '!!!', null, [], '/collections/collection'];
        yield [PlaceKind::File, 'Grain Chart.v2.PDF', null, [], '/files/grain-chart-v2.pdf'];
        yield [PlaceKind::File, 'Grain Chart.pdf', null, ['/files/grain-chart.pdf'], '/files/grain-chart-2.pdf'];
    }

    public function testTitlesLoseWhatNobodySees(): void
    {
        self::assertSame('Care of paper', Title::of("\u{7}Care\r\n of \t paper "));
        self::assertSame(200, mb_strlen(Title::of(str_repeat('é', 200))));
    }

    private static function shop(): Places
    {
        $place = static fn (
            string $id,
            PlaceKind $kind,
            string $address,
            ?string $parent = null,
            ClosedAnswer $answer = ClosedAnswer::NotFound,
            ?string $to = null,
        ): Place => new Place($id, $kind, ucfirst($id), Address::parse($address), $parent, closedAnswer: $answer, closedTo: $to);

        return new Places(
            $place('front', PlaceKind::FrontPage, '/'),
            $place('group', PlaceKind::PageGroup, '/group'),
            $place('group2', PlaceKind::PageGroup, '/group2'),
            $place('page', PlaceKind::Page, '/group/page', 'group'),
            $place('led', PlaceKind::Page, '/led', null, ClosedAnswer::Elsewhere, 'page'),
            $place('kits', PlaceKind::Category, '/kits'),
            $place('first', PlaceKind::Category, '/kits/first', 'kits'),
            $place('deep', PlaceKind::Category, '/kits/first/deep', 'first'),
            $place('other', PlaceKind::Category, '/other'),
        );
    }
}
