<?php

declare(strict_types=1);

namespace Lantern\Admin\Filter;

use Lantern\Admin\Place\PlaceViews;
use Lantern\Core\Filter\Alike;
use Lantern\Core\Filter\Filter;
use Lantern\Core\Filter\FilterKind;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Filter\ListingQuery;
use Lantern\Core\Filter\ShownChoice;
use Lantern\Core\Filter\ShownFilter;
use Lantern\Core\NotThere;
use Lantern\Core\Place\Place;
use Lantern\Core\Visitor;
use Lantern\Reading\Catalogue\KnownChoices;
use Lantern\Reading\Catalogue\OwnFilters;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Listings\NarrowedListing;
use Lantern\Workbench\Filters\FilterEditor;
use Psr\Clock\ClockInterface;

/** Filters in the shapes of the API. */
final readonly class FilterViews
{
    public function __construct(
        private Copies $copies,
        private KnownChoices $known,
        private PlaceViews $places,
        private ClockInterface $clock,
    ) {
    }

    public function filters(): FiltersView
    {
        $settings = $this->copies->workbench->settings->all()->values;
        $filters = Filters::of($settings);
        $views = [];
        foreach ($this->known->filters() + array_fill_keys(
            array_map(static fn (Filter $one): string => $one->key(), [...$filters->everywhere, ...$filters->search]),
            0,
        ) as $key => $choices) {
            $filter = Filter::named($key);
            $setting = $filters->setting($key);
            $views[] = new FilterView(
                $key,
                $filter->kind->value,
                $filter->title(),
                $setting->label,
                $choices,
                $setting->order->value,
                $setting->byHand,
            );
        }

        return new FiltersView(
            FilterEditor::version($settings),
            $views,
            array_map(static fn (Filter $one): string => $one->key(), $filters->everywhere),
            Filters::keys($settings[Filters::SEARCH] ?? ''),
            array_map(
                fn (OwnFilters $own): OwnFiltersView => new OwnFiltersView(
                    $this->places->brief($own->place),
                    $own->version,
                    Filters::keys($own->stored) ?? [],
                ),
                $this->known->own(),
            ),
        );
    }

    public function choices(Filter $filter): KnownChoicesView
    {
        $workbench = $this->copies->workbench;
        $setting = Filters::of($workbench->settings->all()->values)->setting($filter->key());
        $known = $this->known->of($filter);
        $values = array_map(strval(...), array_keys($known));
        $titles = FilterKind::Category === $filter->kind
            ? array_map(static fn (Place $one): string => $one->title, $workbench->places->byIds($values))
            : [];

        return new KnownChoicesView(
            array_map(
                static fn (string $value): KnownChoiceView => new KnownChoiceView(
                    $value,
                    $titles[$value] ?? $value,
                    $setting->labels[$value] ?? '',
                    $known[$value],
                    $setting->same[$value] ?? null,
                ),
                $values,
            ),
            FilterKind::Category === $filter->kind
                ? []
                : array_values(array_filter(
                    array_map(
                        static fn (array $group): array => array_values(array_filter(
                            $group,
                            static fn (string $value): bool => !isset($setting->same[$value]),
                        )),
                        Alike::among($values),
                    ),
                    static fn (array $group): bool => \count($group) > 1,
                )),
        );
    }

    public function narrowed(string $placeId, NarrowedQuery $query): NarrowedView
    {
        $workbench = $this->copies->workbench;
        $place = $workbench->places->get($placeId) ?? throw NotThere::place();
        if (!$place->kind->canBeNarrowed()) {
            throw new NotThere(\sprintf('A %s lists no products that could be narrowed.', $place->kind->words()));
        }
        $all = 'yes' === $query->all ? array_map(Filter::named(...), array_keys($this->known->filters())) : null;
        $narrowed = NarrowedListing::ofPlace(
            $workbench,
            $place,
            $workbench->shop->details($placeId),
            ListingQuery::asked($query->chosen),
            Visitor::guest($this->clock->now()),
            $all,
        );

        return new NarrowedView(
            $narrowed->shown->total,
            array_map(static fn (ShownFilter $one): OfferedFilterView => new OfferedFilterView(
                $one->filter->key(),
                $one->label,
                array_map(
                    static fn (ShownChoice $choice): OfferedChoiceView => new OfferedChoiceView(
                        $choice->value,
                        $choice->label,
                        $choice->count,
                        $choice->chosen,
                    ),
                    $one->choices,
                ),
                $one->lowest,
                $one->highest,
            ), $narrowed->shown->filters),
            ltrim($narrowed->query->written($narrowed->addresses()), '?'),
        );
    }
}
