<?php

declare(strict_types=1);

namespace Lantern\Core\Looks;

/** A colour of the looks that is not read on one of the grounds it stands on, with the nearest one that is read on all of them. */
final readonly class TooPale
{
    /** WCAG 2.2, 1.4.3: what letters of an ordinary size have at least. */
    public const LEAST = 4.5;

    /** What large letters have at least: those of 24 px, or of 18.66 px where they are bold. */
    public const LEAST_LARGE = 3.0;
    public const LARGE = 24.0;

    /**
     * @param string      $setting of the colour that would have to change
     * @param string      $on      the ground on which it is read worst
     * @param Colour|null $offered null: no colour is read on all of its grounds
     */
    private function __construct(public string $setting, public string $on, public float $contrast, public ?Colour $offered)
    {
    }

    /** @param non-empty-array<string, Colour> $grounds by name */
    public static function of(string $setting, Colour $colour, array $grounds): ?self
    {
        $contrasts = array_map($colour->contrast(...), $grounds);
        $worst = min($contrasts);
        if ($worst >= self::LEAST) {
            return null;
        }

        return new self(
            $setting,
            (string) array_search($worst, $contrasts, true),
            $worst,
            $colour->withContrastOnAll(array_values($grounds), self::LEAST),
        );
    }

    public function words(): string
    {
        // Rounded down: what is said to be enough has to be.
        return \sprintf('%s on %s have a contrast of %s to 1; %s is the least that everybody can read.%s', match ($this->setting) {
            Looks::INK => 'Words', Looks::SOFT => 'Soft words', default => 'Links',
        }, match ($this->on) {
            'ground' => 'the ground', 'sheet' => 'the sheet', 'wash' => 'the wash under the pointer', default => 'the footer',
        }, number_format(floor(10 * $this->contrast) / 10, 1), self::LEAST,
            null === $this->offered ? ' No colour is read on all that lies behind them: make ground, sheet and wash more alike.' : '');
    }
}
