<?php

declare(strict_types=1);

namespace Lantern\Core\Looks;

use Lantern\Core\Refused;

/** Looks under a name, to be tried and taken. */
final readonly class LooksSet
{
    public const MAX_NAME = 60;

    /** @param bool $ships whether it came with the program; else somebody of the shop kept it */
    public function __construct(public string $id, public string $name, public Looks $looks, public bool $ships)
    {
    }

    /** @throws Refused */
    public static function name(string $typed): string
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', $typed));
        if ('' === $name || mb_strlen($name) > self::MAX_NAME) {
            throw new Refused('words', \sprintf('A set of looks has a name of 1 to %d characters, such as “Winter”.', self::MAX_NAME));
        }

        return $name;
    }

    /** @return list<self> those that come with the program */
    public static function shipped(): array
    {
        $looks = static fn (
            string $heading,
            string $body,
            array $colours,
            int $corners,
            Edge $edge,
            Shadow $shadow,
        ): Looks => Looks::of(array_combine(
            [Looks::GROUND, Looks::SHEET, Looks::INK, Looks::SOFT, Looks::ACCENT, Looks::WASH],
            $colours,
        ) + [
            Looks::HEADING => $heading,
            Looks::BODY => $body,
            Looks::CORNERS => (string) $corners,
            Looks::EDGE => $edge->value,
            Looks::SHADOW => $shadow->value,
        ]);

        return [
            new self('madder', 'Madder and paper', Looks::of(), true),
            new self(
                'slate',
                'Slate and linen',
                $looks(
                    'bitter',
                    'work-sans',
                    ['#f4f1ea', '#fffdf9', '#20282e', '#515d66', '#275a7a', '#dcebf3'],
                    2,
                    Edge::Thin,
                    Shadow::None,
                ),
                true,
            ),
            new self(
                'moss',
                'Moss, rounded',
                $looks(
                    'nunito',
                    'nunito',
                    ['#f7faf4', '#ffffff', '#1f2b22', '#53614f', '#2f6b3c', '#e1f0dc'],
                    18,
                    Edge::None,
                    Shadow::Soft,
                ),
                true,
            ),
            new self(
                'night',
                'Ink by night',
                $looks(
                    'playfair-display',
                    'lora',
                    ['#17181d', '#22242b', '#f1ece2', '#b9b3a8', '#f0b566', '#3a3226'],
                    6,
                    Edge::Thin,
                    Shadow::Deep,
                ),
                true,
            ),
            new self(
                'ledger',
                'Ledger',
                $looks(
                    'red-hat-mono',
                    'karla',
                    ['#fbfbf8', '#ffffff', '#1c1c1c', '#595959', '#8a2d0f', '#ffe9df'],
                    0,
                    Edge::Strong,
                    Shadow::None,
                ),
                true,
            ),
        ];
    }
}
