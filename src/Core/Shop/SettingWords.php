<?php

declare(strict_types=1);

namespace Lantern\Core\Shop;

use Lantern\Core\Filter\Filter;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Looks\Edge;
use Lantern\Core\Looks\Looks;
use Lantern\Core\Looks\Shadow;
use Lantern\Core\Search\SearchWord;

/** What a setting of the shop says now, in a sentence. */
final class SettingWords
{
    /** What the last line of the footer says; empty: © and the company. */
    public const LAST_LINE = 'last_line';

    /** @param string $value as it is kept; empty: none, or taken back */
    public static function of(string $setting, string $value): string
    {
        if (Looks::isSetting($setting)) {
            return self::ofLooks($setting, Looks::of('' === $value ? [] : [$setting => $value]));
        }
        $shape = HeaderShape::of([$setting => $value]);

        return match ($setting) {
            HeaderShape::FORM => HeaderForm::Drawer === $shape->form
                ? 'The header is a drawer, on a desk, too.'
                : 'The header is a row on a desk.',
            HeaderShape::ENTRIES => match ($shape->entries) {
                EntriesStand::Start => 'The entries of the header stand at its start.',
                EntriesStand::Middle => 'The entries of the header stand in its middle.',
                EntriesStand::End => 'The entries of the header stand at its end.',
                EntriesStand::Stretched => 'The entries of the header are stretched over its row.',
            },
            HeaderShape::MARK => match ($shape->mark) {
                OpenMark::Angle => 'An angle marks what opens in the header.',
                OpenMark::Plus => 'A plus marks what opens in the header.',
                OpenMark::Dot => 'A dot marks what opens in the header.',
                OpenMark::Drawn => 'A mark of the shop’s own marks what opens in the header.',
            },
            HeaderShape::DRAWER_BELOW => null === $shape->drawerBelow
                ? 'The phone’s drawer takes over where the entries of the header no longer fit.'
                : \sprintf('The phone’s drawer takes over below %d px.', $shape->drawerBelow),
            HeaderShape::MARK_DRAWN => '' === $value
                ? 'The shop has no mark of its own for what opens.'
                : 'The shop’s own mark for what opens is drawn anew.',
            HeaderShape::MARK_OPEN => '' === $value ? 'What is open has the same mark, turned.' : 'What is open has a mark of its own.',
            HeaderShape::TABLET_BELOW => null === $shape->tabletBelow
                ? 'On tablets the drawer takes over as elsewhere.'
                : \sprintf('On tablets the drawer takes over below %d px.', $shape->tabletBelow),
            HeaderShape::SECOND => $shape->secondBelow
                ? 'The second row stands below the header.'
                : 'The second row stands above the header.',
            HeaderShape::WORDMARK => null === $shape->wordmark
                ? 'The name of the shop stands in the header.'
                : 'A picture stands in the header as word mark.',
            HeaderShape::WORDMARK_WORDS => '' === $value
                ? 'The word mark is read as the name of the shop.'
                : "The word mark is read as “{$value}”.",
            self::LAST_LINE => '' === $value ? 'The last line says © and the company.' : "The last line says “{$value}”.",
            HeaderShape::STAYS => $shape->stays ? 'The header stays in sight while the page goes by.' : 'The header goes by with the page.',
            HeaderShape::FADES => $shape->fades ? 'Dropdowns of the header fade in.' : 'Dropdowns of the header are there at once.',
            HeaderShape::OPENS => $shape->onClick
                ? 'Dropdowns of the header open on a click.'
                : 'Dropdowns of the header open under the pointer.',
            Filters::EVERYWHERE => 'Visitors narrow listings by '.self::filters([Filters::EVERYWHERE => $value]).'.',
            Filters::SEARCH => '' === $value
                ? 'Search results have the filters of all listings.'
                : 'Visitors narrow search results by '.self::filters([Filters::EVERYWHERE => $value]).'.',
            ShopDetail::Notice->value => '' === $value ? 'There is no notice line.' : "The notice line says “{$value}”.",
            default => str_starts_with($setting, SearchWord::SETTING)
                ? \sprintf(
                    'Who looks for “%s” %s.',
                    substr($setting, \strlen(SearchWord::SETTING)),
                    '' === $value ? 'gets what the search finds' : 'is led to a place at once',
                )
                : (Filters::isSetting($setting) ? \sprintf(
                    'The filter “%s” and its choices are worded, ordered or put together otherwise.',
                    Filter::named(substr($setting, \strlen(Filters::ONE)))->title(),
                ) : (
                    null === ($detail = ShopDetail::tryFrom($setting))
                        ? 'The shop’s details changed.'
                        : ('' === $value ? "{$detail->words()}: none." : "{$detail->words()}: “{$value}”.")
                )),
        };
    }

    /** The part of the shop that a setting is about, as the tray names what waits. */
    public static function about(string $setting): string
    {
        return match (true) {
            Looks::isSetting($setting) => 'looks',
            HeaderShape::isSetting($setting) => 'how the header is made',
            ShopDetail::Notice->value === $setting => 'notice line',
            self::LAST_LINE === $setting => 'last line',
            Filters::isSetting($setting) => 'filters',
            str_starts_with($setting, SearchWord::SETTING) => 'search words',
            default => 'shop details',
        };
    }

    /** @param array<string, string> $settings */
    private static function filters(array $settings): string
    {
        $titles = array_map(static fn (Filter $filter): string => lcfirst($filter->title()), Filters::of($settings)->everywhere);

        return [] === $titles ? 'nothing' : implode(', ', $titles);
    }

    private static function ofLooks(string $setting, Looks $looks): string
    {
        return match ($setting) {
            Looks::HEADING => "Headings are set in {$looks->heading->family()}.",
            Looks::BODY => "Words are set in {$looks->body->family()}.",
            Looks::SCALE => 1.0 === $looks->scale
                ? 'Type has its usual size.'
                : \sprintf('Type is %s times as large as usual.', $looks->scale),
            Looks::GROUND => "The ground is {$looks->ground->hex()}.",
            Looks::SHEET => "What lies on the ground is {$looks->sheet->hex()}.",
            Looks::INK => "Words are {$looks->ink->hex()}.",
            Looks::SOFT => "Soft words are {$looks->soft->hex()}.",
            Looks::ACCENT => "The accent, of links and buttons, is {$looks->accent->hex()}.",
            Looks::WASH => "What is pointed at has {$looks->wash->hex()} behind it.",
            Looks::CORNERS => 0 === $looks->corners ? 'Buttons have sharp corners.' : "Buttons have corners of {$looks->corners} px.",
            Looks::EDGE => match ($looks->edge) {
                Edge::None => 'Buttons have no edge.', Edge::Thin => 'Buttons have a thin edge.',
                Edge::Strong => 'Buttons have a strong edge.',
            },
            default => match ($looks->shadow) {
                Shadow::None => 'Buttons throw no shadow.', Shadow::Soft => 'Buttons throw a soft shadow.',
                Shadow::Deep => 'Buttons throw a deep shadow.',
            },
        };
    }
}
