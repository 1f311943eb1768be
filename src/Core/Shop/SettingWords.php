<?php

declare(strict_types=1);

namespace Lantern\Core\Shop;

/** What a setting of the shop says now, in a sentence. */
final class SettingWords
{
    /** @param string $value as it is kept; empty: none, or taken back */
    public static function of(string $setting, string $value): string
    {
        $shape = HeaderShape::of([$setting => $value]);

        return match ($setting) {
            HeaderShape::FORM => HeaderForm::Drawer === $shape->form ? 'The header is a drawer, on a desk, too.' : 'The header is a row on a desk.',
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
            },
            HeaderShape::DRAWER_BELOW => null === $shape->drawerBelow
                ? 'The phone’s drawer takes over where the entries of the header no longer fit.'
                : \sprintf('The phone’s drawer takes over below %d px.', $shape->drawerBelow),
            HeaderShape::STAYS => $shape->stays ? 'The header stays in sight while the page goes by.' : 'The header goes by with the page.',
            HeaderShape::FADES => $shape->fades ? 'Dropdowns of the header fade in.' : 'Dropdowns of the header are there at once.',
            HeaderShape::OPENS => $shape->onClick ? 'Dropdowns of the header open on a click.' : 'Dropdowns of the header open under the pointer.',
            ShopDetail::Notice->value => '' === $value ? 'There is no notice line.' : "The notice line says “{$value}”.",
            default => null === ($detail = ShopDetail::tryFrom($setting)) ? 'The shop’s details changed.' : ('' === $value ? "{$detail->words()}: none." : "{$detail->words()}: “{$value}”."),
        };
    }
}
