<?php

declare(strict_types=1);

namespace Lantern\Core\Fit;

use Lantern\Core\Looks\Looks;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\ResolvedPiece;

/**
 * Whether a wide panel is seen whole in a window of 720 pixels, and which column is to blame where it is not. The measures
 * are those of the storefront's styles on a desk; a browser test holds the two against each other.
 */
final readonly class PanelFit
{
    /** What a window on a desk has at least today, in pixels. */
    public const WINDOW = 720;
    /** How far down the header reaches, with its notice line. */
    private const HEADER = 106;
    /** The widest sheet of a panel, in the type size of the storefront, and the lines around it. */
    private const SHEET = 72;
    private const HAIRLINES = 2;

    /**
     * @param float       $height of the panel, in pixels
     * @param string|null $blame  what the highest column begins with, where the panel reaches too far down
     */
    private function __construct(public float $height, public bool $fits, public ?string $blame)
    {
    }

    /** @param ResolvedPiece $panel as a visitor gets it */
    public static function of(ResolvedPiece $panel, Looks $looks): self
    {
        $piece = $panel->piece instanceof Panel ? $panel->piece : new Panel();
        $measure = new PanelMeasure($looks);
        $height = 2 * $piece->room + self::HAIRLINES + $measure->bands(
            $panel->children,
            self::SHEET * $looks->type() - self::HAIRLINES - 2 * $piece->room,
        );
        $fits = self::HEADER + $piece->distance + $height <= self::WINDOW;

        return new self($height, $fits, $fits ? null : $measure->blame);
    }

    /** Said to the person who lays it out; the empty text where all is seen. */
    public function words(): string
    {
        return $this->fits
            ? ''
            : \sprintf(
                'In a window of %d px the panel reaches below its lower edge. The column with %s is the highest: take something out of it, '
                    .'or make it wider.',
                self::WINDOW,
                null === $this->blame ? 'the most pieces' : "“{$this->blame}”",
            );
    }
}
