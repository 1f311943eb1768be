<?php

declare(strict_types=1);

namespace Lantern\Core\Shop;

use Lantern\Core\Refused;

/** How the header of the shop is made: each of these is a setting of its own, so that two people may change two of them. */
final readonly class HeaderShape
{
    public const FORM = 'header_form';
    public const ENTRIES = 'header_entries';
    public const MARK = 'header_mark';
    public const DRAWER_BELOW = 'header_drawer_below';
    public const STAYS = 'header_stays';
    public const FADES = 'header_fades';
    public const OPENS = 'dropdowns_open';

    /** The narrowest and the widest window, in pixels, below which the drawer may be told to take over. */
    public const NARROWEST = 320;
    public const WIDEST = 2560;
    /** Below this the shop is on a phone, however few entries its header has. */
    private const PHONE = 640;

    /**
     * @param int|null $drawerBelow width of the window, in pixels, below which the phone's drawer takes over; null: where the row stops fitting
     * @param bool     $stays       whether it stays in sight while the page goes by
     * @param bool     $fades       whether dropdowns fade in; never where a visitor wants less motion
     * @param bool     $onClick     whether dropdowns open on a click only, not under the pointer
     */
    private function __construct(
        public HeaderForm $form,
        public EntriesStand $entries,
        public OpenMark $mark,
        public ?int $drawerBelow,
        public bool $stays,
        public bool $fades,
        public bool $onClick,
    ) {
    }

    /** @param array<string, string> $settings by name; what is missing, or is none of these, is as it usually is */
    public static function of(array $settings): self
    {
        $width = $settings[self::DRAWER_BELOW] ?? '';

        return new self(
            HeaderForm::tryFrom($settings[self::FORM] ?? '') ?? HeaderForm::Row,
            EntriesStand::tryFrom($settings[self::ENTRIES] ?? '') ?? EntriesStand::Start,
            OpenMark::tryFrom($settings[self::MARK] ?? '') ?? OpenMark::Angle,
            ctype_digit($width) ? (int) $width : null,
            'no' !== ($settings[self::STAYS] ?? ''),
            'yes' === ($settings[self::FADES] ?? ''),
            'click' === ($settings[self::OPENS] ?? ''),
        );
    }

    public static function isSetting(string $setting): bool
    {
        return \in_array($setting, [self::FORM, self::ENTRIES, self::MARK, self::DRAWER_BELOW, self::STAYS, self::FADES, self::OPENS], true);
    }

    /**
     * What was chosen for one of them, as it is kept.
     *
     * @throws Refused naming the setting
     */
    public static function checked(string $setting, string $typed): string
    {
        $value = trim($typed);
        $holds = match ($setting) {
            self::FORM => null !== HeaderForm::tryFrom($value),
            self::ENTRIES => null !== EntriesStand::tryFrom($value),
            self::MARK => null !== OpenMark::tryFrom($value),
            self::DRAWER_BELOW => '' === $value || 1 === preg_match('/^\d{1,5}$/D', $value) && (int) $value >= self::NARROWEST && (int) $value <= self::WIDEST,
            self::OPENS => \in_array($value, ['hover', 'click'], true),
            self::STAYS, self::FADES => \in_array($value, ['yes', 'no'], true),
            default => throw new Refused('setting', 'The header has no such setting.'),
        };
        if (!$holds) {
            throw new Refused('words', self::DRAWER_BELOW === $setting ? \sprintf('“%s” is no width at which the drawer could take over. Write pixels from %d to %d, or nothing: then it does where the entries no longer fit.', mb_strimwidth($value, 0, 40, '…'), self::NARROWEST, self::WIDEST) : \sprintf('“%s” is none of the choices. Choose one of those that are shown.', mb_strimwidth($value, 0, 40, '…')));
        }

        return self::DRAWER_BELOW === $setting && '' !== $value ? (string) (int) $value : $value;
    }

    /**
     * The width of the window, in pixels, below which the phone's drawer takes over.
     *
     * @param int $measured where its entries stop fitting
     */
    public function takesOverBelow(int $measured): int
    {
        return $this->drawerBelow ?? max(self::PHONE, $measured);
    }
}
