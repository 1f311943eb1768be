<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Core\Filter\Filters;
use Lantern\Core\Impact\EntryMention;
use Lantern\Core\Impact\Mention;
use Lantern\Core\Impact\MentionWords;
use Lantern\Core\Impact\Steps;
use Lantern\Core\NotThere;
use Lantern\Core\Place\ListedText;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\SearchListing;
use Lantern\Core\Visitor;
use Lantern\Core\Words\Anchor;
use Lantern\Core\Words\Blank;
use Lantern\Core\Words\Words;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Findings\FindingTable;
use Lantern\Reading\Mentions\LinkReader;
use Lantern\Reading\Mentions\MentionReader;
use Lantern\Reading\Places\ListedPlace;
use Lantern\Reading\Places\PlaceDetails;
use Lantern\Reading\Places\PlaceTable;
use Psr\Clock\ClockInterface;

/** Places in the shapes of the API. */
final readonly class PlaceViews
{
    public function __construct(
        private PlaceTable $table,
        private Copies $copies,
        private MentionReader $mentions,
        private LinkReader $links,
        private FindingTable $findings,
        private ClockInterface $clock,
    ) {
    }

    public function brief(Place $place): PlaceBrief
    {
        return new PlaceBrief(
            $place->id,
            $place->kind->value,
            $place->kind->words(),
            $place->title,
            $place->address->path,
            $place->lightAt($this->clock->now())->value,
            $place->lightWords($this->clock->now()->setTimezone($this->copies->workbench->settings->zone())),
            $place->kind->mayClose(),
        );
    }

    /**
     * @param list<ListedPlace> $listed
     * @param bool              $withSteps whether the steps from the front page are wanted
     *
     * @return list<PlaceRow>
     */
    public function rows(array $listed, bool $withSteps = false): array
    {
        $ids = array_map(static fn (ListedPlace $one): string => $one->place->id, $listed);
        $steps = $withSteps ? $this->steps($ids) : [];
        [$findings, $broken] = $withSteps ? $this->findings->counts($ids) : [[], []];

        return array_map(fn (ListedPlace $one): PlaceRow => new PlaceRow(
            $this->brief($one->place),
            $one->version,
            $one->menus,
            $one->place->listing->listed,
            $steps[$one->place->id] ?? null,
            $one->visits,
            $one->changedAt->format(\DATE_ATOM),
            $one->changedBy,
            $one->place->kind->isFixed(),
            $one->place->tidyAddress()->path,
            $findings[$one->place->id] ?? 0,
            $broken[$one->place->id] ?? 0,
        ), $listed);
    }

    public function sheet(string $id): PlaceSheet
    {
        $listed = $this->table->one($id);
        $place = $listed->place;
        $workbench = $this->copies->workbench;
        $related = $workbench->places->byIds(array_values(array_filter([$place->parentId, $place->closedTo])));
        $details = $workbench->shop->details($id);

        return new PlaceSheet(
            $this->brief($place),
            $listed->version,
            $place->light->value,
            $place->opening->from?->format(\DATE_ATOM),
            $place->opening->until?->format(\DATE_ATOM),
            $place->audience->value,
            $place->closedAnswer->value,
            isset($related[$place->closedTo ?? '']) ? $this->brief($related[$place->closedTo ?? '']) : null,
            $details->summary,
            $details->picture,
            $this->listing($place, $place->listing, $details->summary),
            PlaceKind::Collection === $place->kind ? new RuleView($details->rule->by, $details->rule->tag) : null,
            null === $details->file ? null : $this->file($place, $details),
            $place->kind->hasWords(),
            [] !== $this->copies->workbench->menus->tree($place->id)->entries,
            $workbench->shop->countListed($place, $details->rule, Visitor::guest($this->clock->now())),
            Filters::keys($details->filters),
            $place->kind->canBeNarrowed(),
            isset($related[$place->parentId ?? '']) ? $this->brief($related[$place->parentId ?? '']) : null,
            $place->kind->standsBelow()?->value,
            $listed->menus,
            $listed->visits,
            $place->kind->hasPlacesBelow() ? $this->table->countBelow($place->address) : 0,
            $place->kind->isFixed(),
            $place->kind->isMadeHere(),
            $listed->liveAddress,
            $place->tidyAddress()->path,
            $listed->changedAt->format(\DATE_ATOM),
            $listed->changedBy,
        );
    }

    /** How a search engine would show a place with this listing. */
    public function listing(Place $place, SearchListing $listing, string $summary): ListingView
    {
        $shopName = $this->copies->workbench->settings->name();

        return new ListingView(
            $listing->listed,
            $listing->title,
            $listing->description,
            $place->address->path,
            self::listedText(ListedText::title($listing->pageTitle($place->title, $shopName))),
            self::listedText(ListedText::description($listing->pageDescription($summary))),
        );
    }

    /** @param list<string> $takenOut what could not be stored of the text that was just sent */
    public function words(string $id, array $takenOut = []): WordsView
    {
        $workbench = $this->copies->workbench;
        $words = $workbench->shop->words($id);
        $details = $workbench->settings->all()->values;

        return new WordsView(
            $this->table->one($id)->version,
            $words->html,
            array_values(array_map($this->brief(...), $workbench->places->byIds($words->placeIds()))),
            $this->anchors($words),
            array_map(
                static fn (Blank $blank): BlankView => new BlankView($blank->value, $blank->words(), $details[$blank->detail()] ?? ''),
                Blank::cases(),
            ),
            array_map(static fn (Blank $blank): string => $blank->value, $words->emptyBlanks($details)),
            $takenOut,
        );
    }

    /** @return list<AnchorView> */
    public function anchors(Words $words): array
    {
        return array_map(static fn (Anchor $anchor): AnchorView => new AnchorView($anchor->name, $anchor->heading), $words->anchors());
    }

    public function mentions(string $id): MentionsView
    {
        $place = $this->copies->workbench->places->get($id) ?? throw NotThere::place();

        return new MentionsView(
            $this->steps([$id])[$id],
            array_map(
                static fn (Mention $one): MentionView => new MentionView(
                    $one->kind,
                    $one->where,
                    MentionWords::of($one),
                    $one->id,
                    $one instanceof EntryMention ? $one->spot : null,
                ),
                $this->mentions->of($place),
            ),
        );
    }

    /**
     * @param list<string> $placeIds
     *
     * @return array<string, int|null>
     */
    private function steps(array $placeIds): array
    {
        $front = $this->copies->workbench->places->fixed(PlaceKind::FrontPage);

        return null === $front ? array_fill_keys($placeIds, null) : (new Steps($this->links, $front->id))->to($placeIds);
    }

    private function file(Place $place, PlaceDetails $details): FileView
    {
        $file = $details->file ?? throw new \LogicException('A file without bytes.');
        $isPicture = $file->type->isPicture();

        return new FileView(
            $file->type->value,
            $file->size,
            $isPicture,
            $place->serving->value,
            $details->downloadName,
            $isPicture ? $file->name : '',
        );
    }

    private static function listedText(ListedText $text): ListedTextView
    {
        return new ListedTextView($text->shown(), $text->characters(), (int) round($text->pixels), $text->room, $text->fits());
    }
}
