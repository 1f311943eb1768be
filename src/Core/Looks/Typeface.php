<?php

declare(strict_types=1);

namespace Lantern\Core\Looks;

/** The typefaces that ship, each with the widths of its letters: chosen to differ from one another. */
enum Typeface: string
{
    case Literata = 'literata';
    case Lora = 'lora';
    case Karla = 'karla';
    case WorkSans = 'work-sans';
    case Bitter = 'bitter';
    case Nunito = 'nunito';
    case PlayfairDisplay = 'playfair-display';
    case RedHatMono = 'red-hat-mono';

    /** Its name, as in CSS. */
    public function family(): string
    {
        return match ($this) {
            self::Literata => 'Literata',
            self::Lora => 'Lora',
            self::Karla => 'Karla',
            self::WorkSans => 'Work Sans',
            self::Bitter => 'Bitter',
            self::Nunito => 'Nunito',
            self::PlayfairDisplay => 'Playfair Display',
            self::RedHatMono => 'Red Hat Mono',
        };
    }

    /** What kind of face it is, for somebody who does not know it by name. */
    public function words(): string
    {
        return match ($this) {
            self::Literata => 'a book face, sturdy',
            self::Lora => 'a book face, brushed',
            self::Karla => 'without serifs, compact',
            self::WorkSans => 'without serifs, wide',
            self::Bitter => 'a slab',
            self::Nunito => 'rounded',
            self::PlayfairDisplay => 'for display, high contrast',
            self::RedHatMono => 'all letters of one width',
        };
    }
}
