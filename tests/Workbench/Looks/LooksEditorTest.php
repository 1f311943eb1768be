<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Looks;

use Lantern\Core\Looks\Looks;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Looks\LooksSets;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Edits\History;
use Lantern\Workbench\Looks\LooksEditor;
use Lantern\Workbench\Publishing\Publisher;

final class LooksEditorTest extends ShopTestCase
{
    public function testEveryChangeIsTakenBackByWhoMadeIt(): void
    {
        $person = $this->actor();
        $before = $this->everything();
        $this->editor()->change(Looks::ACCENT, '#1D5B63', $person);
        $this->editor()->take('night', $person);
        self::assertTrue($this->looks()->isDark());
        $this->editor()->keep('Winter', $person);
        $this->editor()->change(Looks::CORNERS, '0', $person);
        $this->editor()->keep('Winter', $person);
        $kept = array_values(array_filter($this->service(LooksSets::class)->all(), static fn ($set): bool => !$set->ships));
        self::assertSame(['Winter', 0], [$kept[0]->name, $kept[0]->looks->corners], 'under a name that is there, in its place');
        self::assertCount(1, $kept);
        $this->editor()->take('madder', $person);
        $this->editor()->take($kept[0]->id, $person);
        self::assertTrue($this->looks()->equals($kept[0]->looks));
        $this->editor()->forget($kept[0]->id, $person);
        $history = $this->service(History::class);
        while (null !== $history->last($person)) {
            $history->undo($person);
        }
        self::assertEquals($before, $this->everything());
    }

    public function testASetIsTakenAsOneStep(): void
    {
        $person = $this->actor();
        $this->editor()->take('moss', $person);
        $this->service(History::class)->undo($person);
        self::assertTrue($this->looks()->equals(Looks::of()));
    }

    public function testWhatVisitorsHaveAndWhatTheyHadComesBackAsOneStep(): void
    {
        $person = $this->actor();
        $sets = fn (): array => array_values(array_filter(
            array_map(static fn ($set): string => $set->name, $this->service(LooksSets::class)->all()),
            static fn (string $name): bool => str_starts_with($name, 'As '),
        ));
        self::assertSame([], $sets());
        foreach ([
            Looks::HEADING => 'bitter',
            Looks::SCALE => '1.1',
            Looks::CORNERS => '0',
            Looks::ACCENT => '#1d5b63',
        ] as $setting => $value) {
            $this->editor()->change($setting, $value, $person);
        }
        self::assertSame(['As visitors see it now'], $sets());
        $this->service(Publisher::class)->publish(Actor::commandLine('Imke'));
        self::assertSame(['As before the last change'], $sets());
        $this->editor()->take('before', $person);
        self::assertTrue($this->looks()->equals(Looks::of()), 'four changes, put back as one');
        $this->service(History::class)->undo($person);
        self::assertSame('bitter', $this->looks()->heading->value);
    }

    public function testWhatCannotBeIsRefused(): void
    {
        $person = $this->actor();
        foreach ([
            fn () => $this->editor()->change(Looks::ACCENT, 'rose', $person),
            fn () => $this->editor()->change('notice', 'x', $person),
            fn () => $this->editor()->keep('ink BY night', $person),
            fn () => $this->editor()->keep(' ', $person),
            fn () => $this->editor()->forget('night', $person),
        ] as $n => $attempt) {
            try {
                $attempt();
                self::fail("Attempt $n is refused.");
            } catch (Refused) {
                self::assertSame([], $this->everything()[1]);
            }
        }
        $this->expectException(NotThere::class);
        $this->editor()->take('01934000-0000-7000-8000-000000000000', $person);
    }

    private function editor(): LooksEditor
    {
        return $this->service(LooksEditor::class);
    }

    private function looks(): Looks
    {
        $settings = $this->service(Copies::class)->workbench->settings;
        $settings->forget();

        return $settings->all()->looks();
    }

    /** @return array{list<mixed>, list<mixed>} */
    private function everything(): array
    {
        return [
            $this->workbench()->fetchAllNumeric('SELECT id, value FROM setting ORDER BY id'),
            $this->workbench()->fetchAllNumeric('SELECT id, name, looks FROM looks_set ORDER BY id'),
        ];
    }
}
