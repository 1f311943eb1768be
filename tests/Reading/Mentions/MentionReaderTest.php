<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Mentions;

use Lantern\Core\Impact\EntryMention;
use Lantern\Core\Impact\LinkForm;
use Lantern\Core\Impact\Mention;
use Lantern\Core\Impact\MentionKind;
use Lantern\Core\Impact\OutsideMention;
use Lantern\Core\Impact\RedirectMention;
use Lantern\Core\Impact\TextMention;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Demo\DemoId;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Mentions\MentionReader;
use Lantern\Tests\ShopTestCase;

final class MentionReaderTest extends ShopTestCase
{
    public function testEverythingThatLeadsToAPlaceWithWhatItIs(): void
    {
        $id = DemoId::of('categories/marbled');
        $parent = $this->value('SELECT id FROM entry WHERE parent_id IS NULL AND place_id = ? LIMIT 1', DemoId::of('categories/papers'));
        $this->workbench()->executeStatement(<<<SQL
            INSERT INTO workbench.entry (id, menu_id, parent_id, position, target_kind, place_id, part, label)
            SELECT gen_random_uuid(), menu_id, id, 99, 'place', '$id', 'care', '7' FROM workbench.entry WHERE id = '$parent'
            SQL);
        $this->workbench()->executeStatement(
            <<<'SQL'
                UPDATE workbench.words SET html = html || '<p><a href="/papers/marbled">a</a> <a href="/papers/marbled">b</a></p>'
                WHERE id = '
                SQL
                .DemoId::of('pages/makers')."'",
        );
        $this->workbench()->executeStatement("UPDATE workbench.place SET light = 'closed' WHERE id = '".DemoId::of('pages/makers')."'");
        $this->workbench()->executeStatement(<<<SQL
            INSERT INTO workbench.redirect (id, source, is_prefix, goal_place_id, status)
            VALUES (gen_random_uuid(), '/marbles', true, '$id', 307)
            SQL);
        $this->workbench()->executeStatement(
            "UPDATE workbench.place SET light = 'closed', closed_answer = 'elsewhere', closed_to = '$id' WHERE id = '"
                .DemoId::of('pages/visit')."'",
        );
        $mentions = $this->service(MentionReader::class)->of(
            $this->service(Copies::class)->workbench->places->get($id) ?? throw new \LogicException(),
        );

        $entry = $this->first($mentions, static fn (Mention $one): bool => $one instanceof EntryMention && '7' === $one->label);
        self::assertInstanceOf(EntryMention::class, $entry);
        self::assertSame([['Papers'], 'care'], [$entry->trail, $entry->part]);
        $text = $this->first(
            $mentions,
            static fn (Mention $one): bool => $one instanceof TextMention && DemoId::of('pages/makers') === $one->id,
        );
        self::assertEquals(new TextMention('Our makers', DemoId::of('pages/makers'), LinkForm::Typed, 2, PlaceKind::Page), $text);
        $redirect = $this->first(
            $mentions,
            static fn (Mention $one): bool => $one instanceof RedirectMention && '/marbles/*' === $one->where,
        );
        self::assertInstanceOf(RedirectMention::class, $redirect);
        self::assertSame(RedirectStatus::ForNowKeepingMethod, $redirect->status);
        self::assertNotNull($this->first(
            $mentions,
            static fn (Mention $one): bool => MentionKind::ClosedPlace === $one->kind && DemoId::of('pages/visit') === $one->id,
        ));
        self::assertNotNull($this->first(
            $mentions,
            static fn (Mention $one): bool => MentionKind::List === $one->kind && 'Papers' === $one->where,
        ));
    }

    public function testWhatStandsOutsideNamesTheAddressThatItGoesBy(): void
    {
        $this->workbench()->executeStatement(
            "UPDATE place SET address = '/papers/swirled' WHERE id = ?",
            [DemoId::of('categories/marbled')],
        );
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO outside_mention (id, kind, name, address)
            VALUES (gen_random_uuid(), 'advertisement', 'Spring', '/papers/marbled'), (gen_random_uuid(), 'newsletter', 'May',
            '/papers/swirled')
            SQL);
        $place = $this->service(Copies::class)->workbench->places->get(DemoId::of('categories/marbled')) ?? throw new \LogicException();
        $via = [];
        foreach ($this->service(MentionReader::class)->of($place) as $mention) {
            if ($mention instanceof OutsideMention) {
                $via[$mention->where] = $mention->via;
            }
        }
        self::assertSame(['/papers/marbled', null], [$via['Spring'] ?? '', $via['May'] ?? null]);
    }

    /**
     * @param list<Mention>           $mentions
     * @param \Closure(Mention): bool $is
     */
    private function first(array $mentions, \Closure $is): ?Mention
    {
        return array_values(array_filter($mentions, $is))[0] ?? null;
    }
}
