<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Fit\HeaderFit;
use Lantern\Core\Menu\HungMenu;
use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Core\Place\Place;

/** What is about the frame as a whole: whether it fits, whether its colours are read, whether its labels mean one thing each. */
final readonly class FrameContent implements Examinable
{
    public const KEY = 'frame:frame';

    /**
     * @param list<HungMenu>                                       $hung   as a guest gets it
     * @param array<string, Place>                                 $places those that its menus refer to or show, by id
     * @param list<string>                                         $fillings ids of the places whose lists fill entries
     * @param HeaderFit|null                                       $header null where no row of entries stands there
     * @param array<string, array{name: string, menu: string, words: string}> $panels those that do not fit, by the entry that opens them
     */
    public function __construct(
        private array $hung,
        private array $places,
        private ?HeaderFit $header,
        private ?int $drawerBelow,
        private string $headerMenu,
        private array $panels,
        private array $fillings = [],
    ) {
    }

    public function key(): string
    {
        return self::KEY;
    }

    public function examine(Examination $examination): void
    {
        foreach ([
            DependencyKey::frame(),
            DependencyKey::settings(),
            ...array_map(static fn (Place $one): string => DependencyKey::place($one->id), array_values($this->places)),
            ...array_map(DependencyKey::listing(...), $this->fillings),
            ...[] === $this->fillings ? [] : [DependencyKey::catalogue()],
        ] as $key) {
            $examination->shop->reach($key);
        }
        foreach ($this->hung as $one) {
            $examination->shop->until($one->menu->nextChange);
        }
        if (null !== $this->header && !$this->header->onADesk()) {
            $examination->note(new Finding(
                FindingKind::DoesNotFit,
                new Subject(SubjectType::Header, $this->headerMenu, 'The header', $this->headerMenu),
                ['says' => $this->header->words($this->drawerBelow)],
            ));
        }
        foreach ($this->panels as $entryId => $panel) {
            $examination->note(new Finding(
                FindingKind::DoesNotFit,
                new Subject(SubjectType::Panel, $entryId, "The wide panel of “{$panel['name']}”", $panel['menu']),
                ['says' => $panel['words']],
            ));
        }
        foreach ($examination->shop->settings()->looks()->tooPale() as $pale) {
            $examination->note(new Finding(
                FindingKind::Pale,
                new Subject(SubjectType::Looks, $pale->setting, 'The looks of the shop'),
                ['says' => $pale->words(), 'name' => $pale->setting, 'colour' => $pale->offered?->hex() ?? ''],
                [],
                $pale->setting,
            ));
        }
        $this->labels($examination);
    }

    /** One label that leads to two places, from different menus. */
    private function labels(Examination $examination): void
    {
        $meant = [];
        foreach ($this->hung as $one) {
            foreach ($one->menu->byId() as $entry) {
                $this->label($entry, $one, $meant, $examination);
            }
        }
    }

    /** @param array<string, array{place: string, menu: string, where: string}> $meant by the label */
    private function label(ResolvedEntry $entry, HungMenu $hung, array &$meant, Examination $examination): void
    {
        $menuId = $hung->bay->menuId;
        if (null === $entry->placeId || null === $menuId) {
            return;
        }
        $folded = mb_strtolower(trim($entry->label));
        $known = $meant[$folded] ?? null;
        $place = $this->places[$entry->placeId] ?? null;
        if (null === $known) {
            $meant[$folded] = ['place' => $entry->placeId, 'menu' => $menuId, 'where' => $hung->bay->name()];
        } elseif ($known['place'] !== $entry->placeId && $known['menu'] !== $menuId && null !== $place) {
            $other = $this->places[$known['place']] ?? null;
            $examination->note(new Finding(
                FindingKind::LabelForTwo,
                new Subject(SubjectType::Entry, explode('.', $entry->id)[0], $entry->label, $menuId, $hung->bay->name()),
                [
                    'label' => $entry->label,
                    'to' => $place->title,
                    'at' => $place->address->path,
                    'other' => $other->title ?? 'another place',
                    'there' => $other->address->path ?? '',
                    'where' => $known['where'],
                    'filled' => $entry->filled ? 1 : 0,
                ],
                [$place->address->path],
                $entry->id,
            ));
        }
    }
}
