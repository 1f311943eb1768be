<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Looks\Colour;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\LeftOut;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Reason;
use Lantern\Core\Menu\ResolvedMenu;
use Lantern\Core\Menu\Resolver;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Cards;
use Lantern\Core\Piece\Carousel;
use Lantern\Core\Piece\OneProduct;
use Lantern\Core\Piece\Pale;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\Picture;
use Lantern\Core\Piece\Piece;
use Lantern\Core\Piece\PieceWords;
use Lantern\Core\Piece\Products;
use Lantern\Core\Piece\SignUp;
use Lantern\Core\Piece\Tabs;
use Lantern\Core\Piece\Text;
use Lantern\Core\Piece\Title;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Opening;
use Lantern\Core\Place\Place;
use Lantern\Core\Visitor;
use Lantern\Core\Words\Words;

/** A menu, a page that is laid out, a wide panel, or a column of the footer: entries and pieces with what they lead to. */
final readonly class MenuContent implements Examinable
{
    /** Whoever has not been seen for so long was probably forgotten. */
    private const UNSEEN = '+30 days';

    /**
     * @param string                            $id         of the menu; of the page, the entry or the column
     * @param string                            $name       what people know it by
     * @param bool                              $isMet      whether it hangs somewhere, so that visitors come upon it
     * @param array<string, list<Place>>        $candidates what could fill each line that fills itself, by its id
     * @param array<string, \DateTimeImmutable> $since      when each entry, or what it leads to, was published as it is, by the entry's id
     * @param array<string, list<Colour>>       $regions    the colours of the picture behind each band or panel, by its id
     * @param string|null                       $opensAt    the place of the entry that opens a panel, after which that is called
     */
    public function __construct(
        public string $id,
        public MenuKind $kind,
        public string $name,
        public Tree $tree,
        private bool $isMet,
        private array $candidates = [],
        private array $since = [],
        private array $regions = [],
        private ?string $opensAt = null,
    ) {
    }

    public function key(): string
    {
        return "menu:$this->id";
    }

    public function examine(Examination $examination): void
    {
        $examination->shop->reach(DependencyKey::menu($this->id));
        if (MenuKind::Panel === $this->kind) {
            $examination->shop->reach(DependencyKey::frame());
            null === $this->opensAt || $examination->shop->get($this->opensAt);
        }
        $page = null;
        if (MenuKind::Page === $this->kind) {
            $page = $examination->shop->get($this->id);
            if (null === $page || !$page->opensAt($examination->moment)) {
                return;
            }
        }
        $places = $this->places($examination);
        $met = null === $page ? [] : [$page->address->path];
        foreach ($this->tree->all() as $entry) {
            $examination->shop->until($entry->opening->nextChange($examination->moment));
            if (null !== $entry->filling) {
                $this->reachFilling($entry, $examination);
            }
        }
        $shown = $this->shown($this->tree->entries, $examination);
        foreach ($shown as $entry) {
            $this->entry($entry, $places, $met, $examination);
        }
        $this->bands($this->tree->entries, null, $met, $examination);
        if (MenuKind::Menu === $this->kind) {
            $this->repeated($this->tree->entries, $places, $examination);
            $this->twiceInHere($shown, $places, $examination);
            $this->leftOut($places, $examination);
        }
        if (null !== $page) {
            $this->signUps($page, $examination);
        }
    }

    /**
     * The lines that somebody may be shown now or later: not those that are switched off or over, nor any below a line that is, or that
     * has not begun yet.
     *
     * @param list<Entry> $entries
     *
     * @return list<Entry>
     */
    private function shown(array $entries, Examination $examination): array
    {
        $shown = [];
        foreach ($entries as $entry) {
            if ($entry->enabled && !$this->isOver($entry, $examination)) {
                $shown = [
                    ...$shown,
                    $entry,
                    ...$entry->opening->contains($examination->moment) ? $this->shown($entry->children, $examination) : [],
                ];
            }
        }

        return $shown;
    }

    /** Whether one visitor may meet both at one moment. */
    private static function meet(Entry $one, Entry $other): bool
    {
        $audiences = [$one->audience, $other->audience];
        [$a, $b] = [$one->opening, $other->opening];

        return (\in_array(Audience::Everyone, $audiences, true) || $one->audience === $other->audience)
            && (null === $a->until || null === $b->from || $b->from < $a->until)
                && (null === $b->until || null === $a->from || $a->from < $b->until);
    }

    /** @return array<string, Place> those that are referred to, by id */
    private function places(Examination $examination): array
    {
        $places = [];
        foreach ($this->tree->placeIds() as $id) {
            $place = $examination->shop->get($id);
            if (null !== $place) {
                $places[$id] = $place;
            }
        }

        return $places;
    }

    private function reachFilling(Entry $entry, Examination $examination): void
    {
        $examination->shop->reach(DependencyKey::catalogue());
        $examination->shop->reach(DependencyKey::listing($entry->filling->placeId ?? ''));
        foreach ($this->candidates[$entry->id] ?? [] as $place) {
            $examination->shop->reach(DependencyKey::place($place->id));
            $examination->shop->reach(DependencyKey::listing($place->id));
            $examination->shop->until($place->opening->nextChange($examination->moment));
        }
    }

    private function isOver(Entry $entry, Examination $examination): bool
    {
        return null !== $entry->opening->until && $entry->opening->until <= $examination->moment;
    }

    /**
     * @param array<string, Place> $places
     * @param list<string>         $met
     */
    private function entry(Entry $entry, array $places, array $met, Examination $examination): void
    {
        $target = $entry->target;
        $words = '“'.$this->label($entry, $places).'”';
        if ($entry->content instanceof Text) {
            WordsContent::look(
                new Words($entry->content->html),
                $this->subject($entry, $places),
                $met,
                $examination,
                MenuKind::Page === $this->kind ? $examination->shop->get($this->id) : null,
            );
        }
        if ($entry->content instanceof Picture) {
            $this->picture($entry, $entry->content, $places, $met, $examination);
        }
        if ($target instanceof OutsideTarget) {
            $examination->links->outside($target->url, $words, $this->subject($entry, $places), $met);
        }
        if (!$target instanceof PlaceTarget) {
            return;
        }
        $place = $places[$target->placeId] ?? null;
        if (true === $place?->opensAt($examination->moment)) {
            if ($this->isMet && MenuKind::Menu !== $this->kind && ($place->light->isShownInLists() || MenuKind::Page === $this->kind)) {
                $examination->leadsTo($place->id);
            }
            $examination->links->part($place, $target->part, $words, $this->subject($entry, $places), [...$met, $place->address->path]);
            $this->dates($entry, $place, $places, $examination);

            return;
        }
        // What opens later is left out until then, and meant to be.
        if (null !== $place && $place->light->opens() && null !== $place->opening->from && $examination->moment < $place->opening->from) {
            $this->dates($entry, $place, $places, $examination);

            return;
        }
        $examination->note(new Finding(
            FindingKind::EntryClosed,
            $this->subject($entry, $places),
            [
                'link' => $words,
                'to' => $place->title ?? '',
                'place' => $place->id ?? '',
                'address' => $place->address->path ?? '',
                'is' => $examination->links->closedWords($place),
            ],
            [...$met, ...(null === $place ? [] : [$place->address->path])],
        ));
    }

    /**
     * @param array<string, Place> $places
     * @param list<string>         $met
     */
    private function picture(Entry $entry, Picture $picture, array $places, array $met, Examination $examination): void
    {
        if ('' === $picture->name) {
            return;
        }
        if (!$examination->shop->hasPicture($picture->name)) {
            $examination->note(new Finding(
                FindingKind::PictureGone,
                $this->subject($entry, $places),
                [
                    'link' => '' === $picture->shows ? 'A picture' : "“{$picture->shows}”",
                    'picture' => $picture->name,
                    'is' => 'is no longer there',
                ],
                $met,
            ));
        } elseif ('' === trim($picture->shows)) {
            $examination->note(new Finding(
                FindingKind::PictureWithoutWords,
                $this->subject($entry, $places),
                ['picture' => $picture->name],
                $met,
            ));
        }
    }

    /** @param array<string, Place> $places */
    private function dates(Entry $entry, Place $place, array $places, Examination $examination): void
    {
        $own = $entry->opening;
        if ($own->isAlways() || $place->opening->isAlways()) {
            return;
        }
        $early = null !== $own->from && null !== $place->opening->from && $own->from < $place->opening->from;
        $late = null !== $own->until && null !== $place->opening->until && $own->until > $place->opening->until;
        $apart = null !== $own->from
            && null !== $place->opening->until
            && $own->from >= $place->opening->until
            || null !== $own->until
            && null !== $place->opening->from
            && $own->until <= $place->opening->from;
        if ($early || $late || $apart) {
            $examination->note(new Finding(
                FindingKind::EntryDates,
                $this->subject($entry, $places),
                [
                    'to' => $place->title,
                    'place' => $place->id,
                    'own' => self::span($own, $examination),
                    'its' => self::span($place->opening, $examination),
                ],
                [$place->address->path],
            ));
        }
    }

    private static function span(Opening $opening, Examination $examination): string
    {
        return trim(
            (null === $opening->from ? '' : 'from '.$examination->day($opening->from))
                .(null === $opening->until ? '' : ' until '.$examination->day($opening->until)),
        );
    }

    /**
     * Labels that stand twice side by side.
     *
     * @param list<Entry>          $siblings
     * @param array<string, Place> $places
     */
    private function repeated(array $siblings, array $places, Examination $examination): void
    {
        /** @var array<string, list<Entry>> $seen */
        $seen = [];
        foreach ($siblings as $entry) {
            if (!$entry->enabled || $this->isOver($entry, $examination)) {
                continue;
            }
            $this->repeated($entry->children, $places, $examination);
            $label = $this->label($entry, $places);
            $folded = mb_strtolower(trim($label));
            foreach ($seen[$folded] ?? [] as $first) {
                if (self::meet($first, $entry) && !self::sameTarget($first, $entry)) {
                    $examination->note(new Finding(
                        FindingKind::LabelTwice,
                        $this->subject($entry, $places),
                        ['label' => $label],
                        $this->visits($entry, $places),
                    ));
                    break;
                }
            }
            $seen[$folded][] = $entry;
        }
    }

    /**
     * @param list<Entry>          $shown
     * @param array<string, Place> $places
     */
    private function twiceInHere(array $shown, array $places, Examination $examination): void
    {
        $seen = [];
        foreach ($shown as $entry) {
            if (!$entry->target instanceof PlaceTarget) {
                continue;
            }
            $first = array_values(array_filter(
                $seen[$entry->target->placeId] ?? [],
                static fn (Entry $one): bool => self::sameTarget($one, $entry) && self::meet($one, $entry),
            ))[0]
                ?? null;
            $seen[$entry->target->placeId][] = $entry;
            if (null !== $first) {
                $examination->note(new Finding(
                    FindingKind::PlaceTwice,
                    $this->subject($entry, $places),
                    ['to' => $places[$entry->target->placeId]->title ?? '', 'other' => $this->label($first, $places)],
                    $this->visits($entry, $places),
                ));
            }
        }
    }

    private static function sameTarget(Entry $one, Entry $other): bool
    {
        return $one->target instanceof PlaceTarget && $one->target->equals($other->target);
    }

    /** @param array<string, Place> $places */
    private function leftOut(array $places, Examination $examination): void
    {
        $shown = array_map(
            fn (Visitor $visitor): ResolvedMenu => Resolver::resolve($this->tree, $places, $visitor, $this->candidates),
            [$examination->guest, Visitor::customer($examination->moment)],
        );
        [$guest, $customer] = array_map(self::reasons(...), $shown);
        foreach ($this->isMet ? $shown : [] as $menu) {
            foreach ($menu->byId() as $entry) {
                if (null !== $entry->placeId) {
                    $examination->leadsTo($entry->placeId);
                }
            }
        }
        foreach (array_intersect_key($guest, $customer) as $id => $left) {
            if (Reason::NothingBelow === $left->reason) {
                $examination->note(new Finding(FindingKind::HeadingEmpty, $this->subject($left->entry, $places)));
            } elseif (\in_array($left->reason, [Reason::SwitchedOff, Reason::NoLonger, Reason::PlaceQuiet], true)) {
                $since = $this->since[$id] ?? null;
                if (null === $since) {
                    continue;
                }
                $ended = $left->entry->opening->until ?? $since;
                $since = $ended <= $examination->moment ? max($since, $ended) : $since;
                $unseen = $since->modify(self::UNSEEN);
                if ($unseen <= $examination->moment) {
                    $examination->note(new Finding(
                        FindingKind::EntryUnseen,
                        $this->subject($left->entry, $places),
                        ['why' => $left->reason->words(), 'since' => $examination->day($since)],
                        $this->visits($left->entry, $places),
                    ));
                } else {
                    $examination->shop->until($unseen);
                }
            }
        }
    }

    /** @return array<string, LeftOut> by the entry's id */
    private static function reasons(ResolvedMenu $menu): array
    {
        $leftOut = [];
        foreach ($menu->leftOut as $one) {
            $leftOut[$one->entry->id] = $one;
        }

        return $leftOut;
    }

    /**
     * Colours that are too pale on the ground that they stand on.
     *
     * @param list<Entry>  $entries
     * @param list<string> $met
     */
    private function bands(array $entries, ?Panel $panel, array $met, Examination $examination): void
    {
        foreach ($entries as $entry) {
            $piece = $entry->content;
            if (!$entry->enabled || $this->isOver($entry, $examination)) {
                continue;
            }
            if ($piece instanceof Band || $piece instanceof Panel) {
                $looks = $examination->shop->settings()->looks();
                foreach (Pale::in(
                    $piece,
                    $piece instanceof Band ? $panel : null,
                    $this->regions[$entry->id] ?? [],
                    $looks,
                    $looks->hasLargeHeadings() && self::hasOnlySecondLevels($entry),
                ) as $pale) {
                    $examination->note(new Finding(
                        FindingKind::Pale,
                        $this->subject($entry, []),
                        ['says' => $pale->words(), 'name' => $pale->name, 'colour' => $pale->offered?->hex() ?? ''],
                        $met,
                        $pale->name,
                    ));
                }
            }
            $this->bands($entry->children, $piece instanceof Panel ? $piece : $panel, $met, $examination);
        }
    }

    /** Whether all that is written as a heading within a band is a heading of the second level. */
    private static function hasOnlySecondLevels(Entry $band): bool
    {
        foreach ($band->children as $child) {
            $piece = $child->content;
            $isLarge = match (true) {
                $piece instanceof Title => $piece->level <= 2,
                $piece instanceof Text => 1 !== preg_match('/<h[1-6]\b/i', $piece->html),
                // The names of what is shown are headings, too.
                $piece instanceof Products, $piece instanceof OneProduct, $piece instanceof Cards, $piece instanceof Tabs,
                $piece instanceof Carousel => false,
                default => true,
            };
            if (!$isLarge || !self::hasOnlySecondLevels($child)) {
                return false;
            }
        }

        return true;
    }

    /** A sign-up below another for the same list, or above that of the footer. */
    private function signUps(Place $page, Examination $examination): void
    {
        $footer = null;
        $seen = [];
        foreach ($this->shown($this->tree->entries, $examination) as $entry) {
            if (!$entry->content instanceof SignUp || '' === $entry->content->list) {
                continue;
            }
            $footer ??= $examination->shop->signUpsOfTheFooter();
            $list = $entry->content->list;
            $other = $footer[$list] ?? (isset($seen[$list]) ? 'the same page' : null);
            $seen[$list] = true;
            if (null !== $other) {
                $examination->note(new Finding(
                    FindingKind::SignUpTwice,
                    $this->subject($entry, []),
                    ['list' => $list, 'other' => $other],
                    [$page->address->path],
                ));
            }
        }
    }

    /**
     * @param array<string, Place> $places
     *
     * @return list<string>
     */
    private function visits(Entry $entry, array $places): array
    {
        $place = $entry->target instanceof PlaceTarget ? $places[$entry->target->placeId] ?? null : null;

        return null === $place ? [] : [$place->address->path];
    }

    /** @param array<string, Place> $places */
    private function label(Entry $entry, array $places): string
    {
        return $entry->label
            ?? ($entry->target instanceof PlaceTarget ? $places[$entry->target->placeId]->title ?? null : null)
            ?? ($entry->content instanceof Piece ? PieceWords::of($entry->content) : 'A place');
    }

    /** @param array<string, Place> $places */
    private function subject(Entry $entry, array $places): Subject
    {
        return new Subject(
            null === $entry->content ? SubjectType::Entry : SubjectType::Piece,
            $entry->id,
            $this->label($entry, $places),
            $this->id,
            $this->name,
        );
    }
}
