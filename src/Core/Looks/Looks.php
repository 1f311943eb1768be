<?php

declare(strict_types=1);

namespace Lantern\Core\Looks;

use Lantern\Core\Refused;

/**
 * The storefront's typefaces, type scale, colours and shape of buttons. Each is a setting of its own, so that two people may
 * change two of them.
 */
final readonly class Looks
{
    public const HEADING = 'looks_heading';
    public const BODY = 'looks_body';
    public const SCALE = 'looks_scale';
    public const GROUND = 'looks_ground';
    public const SHEET = 'looks_sheet';
    public const INK = 'looks_ink';
    public const SOFT = 'looks_soft';
    public const ACCENT = 'looks_accent';
    public const WASH = 'looks_wash';
    public const CORNERS = 'looks_corners';
    public const EDGE = 'looks_edge';
    public const SHADOW = 'looks_shadow';

    /** By name, as they are until somebody chooses. */
    private const USUAL = [
        self::HEADING => 'literata',
        self::BODY => 'karla',
        self::SCALE => '1',
        self::GROUND => '#fbfaf6',
        self::SHEET => '#ffffff',
        self::INK => '#2c2531',
        self::SOFT => '#655d6b',
        self::ACCENT => '#7d2935',
        self::WASH => '#fbf1d2',
        self::CORNERS => '6',
        self::EDGE => 'thin',
        self::SHADOW => 'none',
    ];

    public const SMALLEST = 0.9;
    public const LARGEST = 1.25;
    public const ROUNDEST = 24;
    /** Type size where the scale is 1, in pixels. */
    private const TYPE = 17.0;

    /** A heading of the second level, in parts of the type size (storefront.css, h2). */
    private const SECOND_LEVEL = 1.45;

    /**
     * @param float  $scale   of all type, from 0.9 to 1.25
     * @param Colour $ground  behind the page
     * @param Colour $sheet   behind what lies on it: dropdowns, drawer, fields
     * @param Colour $soft    words that are read second
     * @param Colour $accent  links and buttons
     * @param Colour $wash    behind a link that is pointed at
     * @param int    $corners of buttons, in pixels
     */
    private function __construct(
        public Typeface $heading,
        public Typeface $body,
        public float $scale,
        public Colour $ground,
        public Colour $sheet,
        public Colour $ink,
        public Colour $soft,
        public Colour $accent,
        public Colour $wash,
        public int $corners,
        public Edge $edge,
        public Shadow $shadow,
    ) {
    }

    /** @param array<string, string> $settings by name; what is missing, or is none of these, is as it usually is */
    public static function of(array $settings = []): self
    {
        $values = [];
        foreach (self::USUAL as $setting => $usual) {
            try {
                $values[$setting] = isset($settings[$setting]) ? self::checked($setting, $settings[$setting]) : $usual;
            } catch (Refused) {
                $values[$setting] = $usual;
            }
        }

        return new self(
            Typeface::from($values[self::HEADING]),
            Typeface::from($values[self::BODY]),
            (float) $values[self::SCALE],
            Colour::fromHex($values[self::GROUND]),
            Colour::fromHex($values[self::SHEET]),
            Colour::fromHex($values[self::INK]),
            Colour::fromHex($values[self::SOFT]),
            Colour::fromHex($values[self::ACCENT]),
            Colour::fromHex($values[self::WASH]),
            (int) $values[self::CORNERS],
            Edge::from($values[self::EDGE]),
            Shadow::from($values[self::SHADOW]),
        );
    }

    public static function isSetting(string $setting): bool
    {
        return isset(self::USUAL[$setting]);
    }

    /**
     * What was chosen for one of them, as it is kept.
     *
     * @throws Refused naming the setting
     */
    public static function checked(string $setting, string $typed): string
    {
        $value = trim($typed);
        $shown = mb_strimwidth($value, 0, 40, '…');
        switch ($setting) {
            case self::HEADING:
            case self::BODY:
                return Typeface::tryFrom($value)->value
                    ?? throw new Refused('words', \sprintf('“%s” is no typeface that ships. Choose one of those that are shown.', $shown));
            case self::SCALE:
                if (
                    1 !== preg_match('/^\d(?:\.\d{1,2})?$/D', $value)
                    || (float) $value < self::SMALLEST
                    || (float) $value > self::LARGEST
                ) {
                    throw new Refused(
                        'words',
                        \sprintf(
                            '“%s” is no size that type can have. Write a number from %s to %s, such as 1.05.',
                            $shown,
                            self::SMALLEST,
                            self::LARGEST,
                        ),
                    );
                }

                return (string) (float) $value;
            case self::CORNERS:
                if (1 !== preg_match('/^\d{1,2}$/D', $value) || (int) $value > self::ROUNDEST) {
                    throw new Refused(
                        'words',
                        \sprintf('“%s” is no roundness of corners. Write pixels from 0 to %d.', $shown, self::ROUNDEST),
                    );
                }

                return (string) (int) $value;
            case self::EDGE:
                return Edge::tryFrom($value)->value ?? throw self::none($shown);
            case self::SHADOW:
                return Shadow::tryFrom($value)->value ?? throw self::none($shown);
            case self::GROUND:
            case self::SHEET:
            case self::INK:
            case self::SOFT:
            case self::ACCENT:
            case self::WASH:
                return Colour::fromHex($value, 'words')->hex();
            default:
                throw new Refused('setting', 'The looks of the shop have no such setting.');
        }
    }

    /** @return array<string, string> each setting with its value */
    public function values(): array
    {
        return [
            self::HEADING => $this->heading->value,
            self::BODY => $this->body->value,
            self::SCALE => (string) $this->scale,
            self::GROUND => $this->ground->hex(),
            self::SHEET => $this->sheet->hex(),
            self::INK => $this->ink->hex(),
            self::SOFT => $this->soft->hex(),
            self::ACCENT => $this->accent->hex(),
            self::WASH => $this->wash->hex(),
            self::CORNERS => (string) $this->corners,
            self::EDGE => $this->edge->value,
            self::SHADOW => $this->shadow->value,
        ];
    }

    public function equals(self $other): bool
    {
        return $this->values() === $other->values();
    }

    /** Type size of the storefront, in pixels: what its styles call rem. */
    public function type(): float
    {
        return self::TYPE * $this->scale;
    }

    /** The hairlines between things. */
    public function line(): Colour
    {
        return $this->ground->mixed($this->ink, 0.13);
    }

    /** Behind the footer. */
    public function footer(): Colour
    {
        return $this->ground->mixed($this->ink, 0.04);
    }

    /** The line around a field, which has to be seen (WCAG 2.2, 1.4.11). */
    public function field(): Colour
    {
        return $this->soft->withContrast($this->sheet, 3.0);
    }

    /** The label of a button: white, or what is read better on the accent. */
    public function onAccent(): Colour
    {
        $white = new Colour(255, 255, 255);

        return $white->contrast($this->accent) >= TooPale::LEAST ? $white : new Colour(0, 0, 0);
    }

    /** The accent under the pointer: further from its label. */
    public function pressed(): Colour
    {
        return $this->accent->mixed(0 === $this->onAccent()->red ? new Colour(255, 255, 255) : new Colour(0, 0, 0), 0.2);
    }

    public function isDark(): bool
    {
        return $this->ground->luminance() < $this->ink->luminance();
    }

    /** Whether headings of the second level are large letters (WCAG 2.2, 1.4.3); those below it never are. */
    public function hasLargeHeadings(): bool
    {
        return self::TYPE * $this->scale * self::SECOND_LEVEL >= TooPale::LARGE;
    }

    /**
     * The pairs of colours that meet on every page and are too much alike.
     *
     * @return list<TooPale> at most one for each colour that would have to change
     */
    public function tooPale(): array
    {
        $footer = $this->footer();

        return array_values(array_filter([
            TooPale::of(
                self::INK,
                $this->ink,
                ['ground' => $this->ground, 'sheet' => $this->sheet, 'wash' => $this->wash, 'footer' => $footer],
            ),
            TooPale::of(self::SOFT, $this->soft, ['ground' => $this->ground, 'sheet' => $this->sheet, 'footer' => $footer]),
            TooPale::of(
                self::ACCENT,
                $this->accent,
                ['ground' => $this->ground, 'sheet' => $this->sheet, 'wash' => $this->wash, 'footer' => $footer],
            ),
        ]));
    }

    private static function none(string $shown): Refused
    {
        return new Refused('words', \sprintf('“%s” is none of the choices. Choose one of those that are shown.', $shown));
    }
}
