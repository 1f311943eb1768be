<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Refused;

/**
 * The rule by which an entry gets children from the shop. A child that was pinned is an entry of its
 * own, stands before these and is not shown twice; others can be renamed or left out.
 */
final readonly class SelfFilling
{
    public const MOST = 50;

    /**
     * @param string|null           $placeId the group, category or collection; null where the source needs none
     * @param PlaceKind|null        $kind    for what is new: product, page, article, collection
     * @param int                   $depth   levels of categories, 1 or 2
     * @param int                   $most    how many children at most, on each level
     * @param array<string, string> $labels  other words for some children, by place id
     * @param list<string>          $leftOut ids of places that are not shown
     */
    public function __construct(
        public FillingSource $source,
        public ?string $placeId = null,
        public ?PlaceKind $kind = null,
        public int $depth = 1,
        public int $most = 10,
        public FillingOrder $order = FillingOrder::Hand,
        public array $labels = [],
        public array $leftOut = [],
    ) {
        if ($most < 1 || $most > self::MOST) {
            throw new Refused('filling', \sprintf('A line fills itself with 1 to %d others; choose a number between.', self::MOST));
        }
        if ($depth < 1 || $depth > 2 || (2 === $depth && FillingSource::Categories !== $source)) {
            throw new Refused('filling', 'Only categories are shown with what is below them, and then two levels of them.');
        }
        if (FillingOrder::Price === $order && FillingSource::Products !== $source) {
            throw new Refused('filling', 'Only products have a price to go by. Choose another order.');
        }
        if (FillingSource::Pages === $source && null === $placeId) {
            throw new Refused('filling', 'Choose the page group whose pages are to be shown.');
        }
        if ((FillingSource::Newest === $source) !== (null !== $kind) || (null !== $kind && !\in_array($kind, self::kinds(), true))) {
            throw new Refused('filling', 'Choose of which kind the newest are to be shown: products, pages, articles or collections.');
        }
        foreach ($labels as $label) {
            if ('' === trim($label) || mb_strlen($label) > Entry::MAX_LABEL) {
                throw new Refused('label', \sprintf('A label has 1 to %d characters.', Entry::MAX_LABEL));
            }
        }
        if (\count($leftOut) > 500 || \count($labels) > 500) {
            throw new Refused('filling', 'At most 500 places are renamed or left out of one line. Choose a narrower source instead.');
        }
    }

    /** The order of labels, and of what is left out, tells nothing. */
    public function equals(self $other): bool
    {
        return self::comparable($this) === self::comparable($other);
    }

    /** @return array<string, mixed> */
    private static function comparable(self $filling): array
    {
        $labels = $filling->labels;
        $leftOut = $filling->leftOut;
        ksort($labels);
        sort($leftOut, \SORT_STRING);

        return ['labels' => $labels, 'leftOut' => $leftOut] + get_object_vars($filling);
    }

    /** @return list<PlaceKind> kinds of which the newest can be shown */
    public static function kinds(): array
    {
        return [PlaceKind::Product, PlaceKind::Page, PlaceKind::Article, PlaceKind::Collection];
    }

    public function words(string $placeTitle): string
    {
        $of = null === $this->placeId ? '' : ' of '.$placeTitle;

        return match ($this->source) {
            FillingSource::Pages => "the pages{$of}",
            FillingSource::Categories => (null === $this->placeId ? 'the categories of the shop' : "the categories below {$placeTitle}")
                .(2 === $this->depth ? ', two levels' : ''),
            FillingSource::Products => \sprintf('up to %d products%s', $this->most, '' === $of ? ' of the shop' : $of),
            FillingSource::Newest => \sprintf(
                'the %d newest %s',
                $this->most,
                PlaceKind::Category === $this->kind ? 'categories' : ($this->kind?->words() ?? '').'s',
            ),
        };
    }
}
