<?php

declare(strict_types=1);

namespace Lantern\Storefront\Frame;

use Lantern\Core\Looks\Looks;
use Lantern\Core\Looks\Shadow;
use Lantern\Core\Looks\Typeface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * The looks of the shop as CSS: the two typefaces in use, and the values that the style sheet of the shop is written with.
 *
 * What `ops/cut-typefaces.mjs` wrote of each typeface: its two files, and what stands in for it until they are there.
 *
 * @phpstan-type StandIn array{
 *     family: string, local: list<string>,
 *     ascentOverride: string, descentOverride: string, lineGapOverride: string, sizeAdjust: string,
 * }
 * @phpstan-type Cut array{family: string, generic: string, usual: string, beyond: string, stands: list<StandIn>}
 * @phpstan-type AllCut array{range: string, typefaces: array<string, Cut>}
 */
final class LooksStyles
{
    /** @var AllCut|null */
    private ?array $cut = null;

    public function __construct(#[Autowire('%kernel.project_dir%/public/storefront')] private readonly string $folder)
    {
    }

    public function of(Looks $looks): string
    {
        $faces = array_map($this->faces(...), array_unique([$looks->heading, $looks->body], \SORT_REGULAR));
        $values = [
            'heading' => $this->family($looks->heading),
            'body' => $this->family($looks->body),
            'type' => $looks->type().'px',
            'ground' => $looks->ground->hex(),
            'sheet' => $looks->sheet->hex(),
            'ink' => $looks->ink->hex(),
            'soft' => $looks->soft->hex(),
            'accent' => $looks->accent->hex(),
            'wash' => $looks->wash->hex(),
            'line' => $looks->line()->hex(),
            'field' => $looks->field()->hex(),
            'footer' => $looks->footer()->hex(),
            'on-accent' => $looks->onAccent()->hex(),
            'pressed' => $looks->pressed()->hex(),
            'corners' => "{$looks->corners}px",
            'edge' => $looks->edge->pixels().'px',
            'shadow' => match ($looks->shadow) {
                Shadow::None => 'none', Shadow::Soft => '0 1px 4px rgb(0 0 0/.22)', Shadow::Deep => '0 4px 12px rgb(0 0 0/.34)',
            },
        ];

        return implode('', $faces).':root{color-scheme:'.($looks->isDark() ? 'dark' : 'light')
            .implode('', array_map(static fn (string $name, string $value): string => ";--$name:$value", array_keys($values), $values)).'}';
    }

    private function family(Typeface $typeface): string
    {
        $cut = $this->cut($typeface);

        return implode(
            ',',
            array_map(static fn (string $family): string => "\"$family\"", [$cut['family'], ...array_column($cut['stands'], 'family')]),
        )
            .','.$cut['generic'];
    }

    /**
     * A typeface comes in two parts, of which the second is fetched where a page has a letter that only it has; until they are there,
     * something of the same width stands in.
     */
    private function faces(Typeface $typeface): string
    {
        $cut = $this->cut($typeface);
        $face = static fn (
            string $file,
            string $range,
        ): string => "@font-face{font-family:\"{$cut['family']}\";font-weight:400 700;font-display:swap;src:url(/-/$file) "
            ."format(\"woff2\")$range}";
        $stands = array_map(
            static fn (array $stand): string => "@font-face{font-family:\"{$stand['family']}\";src:"
                .implode(',', array_map(static fn (string $name): string => "local(\"$name\")", $stand['local']))
                .";ascent-override:{$stand['ascentOverride']};descent-override:{$stand['descentOverride']};"
                ."line-gap-override:{$stand['lineGapOverride']};size-adjust:{$stand['sizeAdjust']}}",
            $cut['stands'],
        );

        // Of two that have a letter, the later one is asked.
        return $face($cut['beyond'], ';unicode-range:U+0100-02FF,U+1E00-1EFF,U+2000-206F,U+20A0-20C0,U+2113,U+2C60-2C7F,U+A720-A7FF')
            .$face($cut['usual'], ";unicode-range:{$this->read()['range']}").implode('', $stands);
    }

    /** @return Cut */
    private function cut(Typeface $typeface): array
    {
        return $this->read()['typefaces'][$typeface->value]
            ?? throw new \LogicException("The typeface {$typeface->family()} was not cut. Run bin/start.");
    }

    /** @return AllCut */
    private function read(): array
    {
        if (null === $this->cut) {
            /** @var AllCut $read */
            $read = json_decode((string) file_get_contents("{$this->folder}/.vite/typefaces.json"), true, flags: \JSON_THROW_ON_ERROR);
            $this->cut = $read;
        }

        return $this->cut;
    }
}
