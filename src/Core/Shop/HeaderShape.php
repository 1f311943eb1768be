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
    public const MARK_DRAWN = 'header_mark_drawn';
    public const MARK_OPEN = 'header_mark_open';
    public const DRAWER_BELOW = 'header_drawer_below';
    public const TABLET_BELOW = 'header_tablet_below';
    public const STAYS = 'header_stays';
    public const FADES = 'header_fades';
    public const OPENS = 'dropdowns_open';
    public const SECOND = 'header_second';
    public const WORDMARK = 'header_wordmark';
    public const WORDMARK_WORDS = 'header_wordmark_words';

    private const ALL = [
        self::FORM,
        self::ENTRIES,
        self::MARK,
        self::MARK_DRAWN,
        self::MARK_OPEN,
        self::DRAWER_BELOW,
        self::TABLET_BELOW,
        self::STAYS,
        self::FADES,
        self::OPENS,
        self::SECOND,
        self::WORDMARK,
        self::WORDMARK_WORDS,
    ];

    /** The narrowest and the widest window, in pixels, below which the drawer may be told to take over. */
    public const NARROWEST = 320;
    public const WIDEST = 2560;
    public const MAX_WORDS = 120;
    /** Below this the shop is on a phone, however few entries its header has. */
    private const PHONE = 640;

    /**
     * @param string        $markDrawn   the shop's own mark as SVG, cleaned; empty: none was drawn
     * @param string        $markOpen    another one while it is open; empty: the same, turned
     * @param int|null      $drawerBelow width of the window, in pixels, below which the phone's drawer takes over; null: where the row
     *            stops fitting
     * @param int|null      $tabletBelow the same where one points with a finger; null: as elsewhere
     * @param bool          $stays       whether it stays in sight while the page goes by
     * @param bool          $fades       whether dropdowns fade in; never where a visitor wants less motion
     * @param bool          $onClick     whether dropdowns open on a click only, not under the pointer
     * @param bool          $secondBelow whether the second row stands below the first; else above
     * @param Wordmark|null $wordmark    a picture in place of the shop's name; null: its name
     */
    private function __construct(
        public HeaderForm $form,
        public EntriesStand $entries,
        public OpenMark $mark,
        public string $markDrawn,
        public string $markOpen,
        public ?int $drawerBelow,
        public ?int $tabletBelow,
        public bool $stays,
        public bool $fades,
        public bool $onClick,
        public bool $secondBelow,
        public ?Wordmark $wordmark,
    ) {
    }

    /** @param array<string, string> $settings by name; what is missing, or is none of these, is as it usually is */
    public static function of(array $settings): self
    {
        $width = static fn (string $setting): ?int => ctype_digit($settings[$setting] ?? '') ? (int) $settings[$setting] : null;

        return new self(
            HeaderForm::tryFrom($settings[self::FORM] ?? '') ?? HeaderForm::Row,
            EntriesStand::tryFrom($settings[self::ENTRIES] ?? '') ?? EntriesStand::Start,
            OpenMark::tryFrom($settings[self::MARK] ?? '') ?? OpenMark::Angle,
            $settings[self::MARK_DRAWN] ?? '',
            $settings[self::MARK_OPEN] ?? '',
            $width(self::DRAWER_BELOW),
            $width(self::TABLET_BELOW),
            'no' !== ($settings[self::STAYS] ?? ''),
            'yes' === ($settings[self::FADES] ?? ''),
            'click' === ($settings[self::OPENS] ?? ''),
            'below' === ($settings[self::SECOND] ?? ''),
            Wordmark::of($settings[self::WORDMARK] ?? '', $settings[self::WORDMARK_WORDS] ?? ''),
        );
    }

    public static function isSetting(string $setting): bool
    {
        return \in_array($setting, self::ALL, true);
    }

    /**
     * What was chosen for one of them, as it is kept. The picture of the word mark is chosen by what is known of it.
     *
     * @see Wordmark::kept()
     *
     * @throws Refused naming the setting
     */
    public static function checked(string $setting, string $typed): string
    {
        $value = trim($typed);
        $shown = mb_strimwidth($value, 0, 40, '…');
        if (self::DRAWER_BELOW === $setting || self::TABLET_BELOW === $setting) {
            if (
                '' !== $value
                && (1 !== preg_match('/^\d{1,5}$/D', $value) || (int) $value < self::NARROWEST || (int) $value > self::WIDEST)
            ) {
                throw new Refused(
                    'words',
                    \sprintf(
                        '“%s” is no width at which the drawer could take over. Write pixels from %d to %d, or nothing: then it does %s.',
                        $shown,
                        self::NARROWEST,
                        self::WIDEST,
                        self::DRAWER_BELOW === $setting ? 'where the entries no longer fit' : 'as on other devices',
                    ),
                );
            }

            return '' === $value ? '' : (string) (int) $value;
        }
        if (self::MARK_DRAWN === $setting || self::MARK_OPEN === $setting) {
            return '' === $value ? '' : MarkDrawing::cleaned($value);
        }
        if (self::WORDMARK_WORDS === $setting) {
            return mb_strlen($value) <= self::MAX_WORDS
                ? $value
                : throw new Refused(
                    'words',
                    \sprintf('What a word mark says is told in at most %d characters. Shorten it.', self::MAX_WORDS),
                );
        }
        $holds = match ($setting) {
            self::FORM => null !== HeaderForm::tryFrom($value),
            self::ENTRIES => null !== EntriesStand::tryFrom($value),
            self::MARK => null !== OpenMark::tryFrom($value),
            self::OPENS => \in_array($value, ['hover', 'click'], true),
            self::SECOND => \in_array($value, ['above', 'below'], true),
            self::STAYS, self::FADES => \in_array($value, ['yes', 'no'], true),
            default => throw new Refused('setting', 'The header has no such setting.'),
        };

        return $holds ? $value : throw new Refused('words', "“{$shown}” is none of the choices. Choose one of those that are shown.");
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
