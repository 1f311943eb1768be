<?php

declare(strict_types=1);

namespace Lantern\Core\Words;

/**
 * The words of a place: HTML that was cleaned when it was stored. Links, pictures and video of this shop
 * refer to places (`place:ID#part`), and blanks stand for details of the shop. Cleaning writes every
 * attribute in double quotes and every quotation mark of a text as an entity, so the patterns here
 * find tags and nothing else.
 */
final readonly class Words
{
    private const TAG = '/<(a|img|video)((?: [a-z-]+(?:="[^"]*")?)*) ?\/?>(?:<\/video>)?/';
    private const BLANK = '/<span data-blank="([a-z-]+)"><\/span>/';

    public function __construct(public string $html)
    {
    }

    /** @return list<Reference> in the order of the text */
    public function references(): array
    {
        preg_match_all(self::TAG, $this->html, $tags, \PREG_SET_ORDER);
        $references = [];
        foreach ($tags as [, $element, $attributes]) {
            preg_match_all(
                '/ (href|src|poster)="(?:place:([0-9a-f-]{36})|(\/[^"#?]*))(?:\?[^"#]*)?(?:#([^"]*))?"/',
                $attributes,
                $leads,
                \PREG_SET_ORDER,
            );
            foreach ($leads as $found) {
                $references[] = new Reference(
                    ($found[2] ?? '') ?: null,
                    '' === ($found[3] ?? '') ? null : html_entity_decode($found[3]),
                    html_entity_decode($found[4] ?? ''),
                    match (true) {
                        'video' === $element && 'src' === $found[1] => 'video',
                        'a' !== $element => 'picture',
                        str_contains($attributes, ' class="button"') => 'button',
                        default => 'link',
                    },
                );
            }
        }

        return $references;
    }

    /** @return list<Link> those to other web sites, too: the links in the order of the text, then what is shown in it */
    public function links(): array
    {
        $links = [];
        $this->mapLinks(static function (Link $link) use (&$links): Link {
            return $links[] = $link;
        });

        return $links;
    }

    /** @return array<string, string> the parts of the same page that it leads to, each with the words of the first link there */
    public function ownParts(): array
    {
        $parts = [];
        foreach ($this->links() as $link) {
            if ($link->isOwnPart()) {
                $parts[rawurldecode($link->part)] ??= $link->words;
            }
        }

        return $parts;
    }

    /**
     * The same words with other links. A link that is taken out leaves its words; a picture or video that is taken out is gone.
     *
     * @param \Closure(Link): ?Link $map null: it is taken out
     */
    public function mapLinks(\Closure $map): self
    {
        $html = (string) preg_replace_callback('/<a((?: [a-z-]+(?:="[^"]*")?)*)>(.*?)<\/a>/s', static function (
            array $found,
        ) use ($map): string {
            preg_match('/ alt="([^"]*)"/', $found[2], $shows);
            $words = self::plain(strip_tags($found[2]));
            $link = self::lead(
                str_contains($found[1], ' class="button"') ? 'button' : 'link',
                '' === $words ? self::plain($shows[1] ?? '') : $words,
                $found[1],
                'href',
            );
            $mapped = null === $link ? $link : $map($link);

            return match (true) {
                $mapped === $link => $found[0],
                null === $mapped => $found[2],
                default => '<a'.self::led($found[1], 'href', $mapped).">$found[2]</a>",
            };
        }, $this->html);

        return new self((string) preg_replace_callback('/<(img|video)((?: [a-z-]+(?:="[^"]*")?)*) ?(\/?)>(<\/video>)?/', static function (
            array $found,
        ) use ($map): string {
            preg_match('/ (?:alt|aria-label)="([^"]*)"/', $found[2], $shows);
            $attributes = $found[2];
            foreach (['src', 'poster'] as $name) {
                $link = self::lead(
                    'img' === $found[1] || 'poster' === $name ? 'picture' : 'video',
                    self::plain($shows[1] ?? ''),
                    $attributes,
                    $name,
                );
                $mapped = null === $link ? null : $map($link);
                if (null !== $link && null === $mapped && 'src' === $name) {
                    return '';
                }
                if (null !== $link && $mapped !== $link) {
                    $attributes = null === $mapped
                        ? (string) preg_replace("/ $name=\"[^\"]*\"/", '', $attributes)
                        : self::told(self::led($attributes, $name, $mapped), 'img' === $found[1] ? 'alt' : 'aria-label', $mapped->words);
                }
            }

            return "<$found[1]$attributes".('' === $found[3] ? '' : ' /').'>'.($found[4] ?? '');
        }, $html));
    }

    /** Where an attribute leads; null where it is not there, or leads to mail or phone. */
    private static function lead(string $form, string $words, string $attributes, string $name): ?Link
    {
        if (1 !== preg_match(
            "/ $name=\"(?:place:([0-9a-f-]{36})|(\\/(?!\\/)[^\"#]*)|(https?:\\/\\/[^\"]*)|(?=#))(?:#([^\"]*))?\"/",
            $attributes,
            $found,
        )) {
            return null;
        }

        return new Link(
            $form,
            $words,
            $found[1] ?: null,
            self::plain($found[2] ?? '') ?: null,
            self::plain($found[4] ?? ''),
            self::plain($found[3] ?? '') ?: null,
        );
    }

    private static function led(string $attributes, string $name, Link $to): string
    {
        $lead = null !== $to->placeId ? "place:$to->placeId" : $to->address ?? $to->outside ?? '';

        return (string) preg_replace_callback(
            "/ $name=\"[^\"]*\"/",
            static fn (): string => " $name=\"".htmlspecialchars($lead.('' === $to->part ? '' : "#$to->part"), \ENT_QUOTES | \ENT_HTML5)
                .'"',
            $attributes,
            1,
        );
    }

    private static function told(string $attributes, string $name, string $words): string
    {
        $told = " $name=\"".htmlspecialchars($words, \ENT_QUOTES | \ENT_HTML5).'"';

        return 1 === preg_match("/ $name=\"[^\"]*\"/", $attributes)
            ? (string) preg_replace_callback("/ $name=\"[^\"]*\"/", static fn (): string => $told, $attributes, 1)
            : $attributes.$told;
    }

    private static function plain(string $html): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', html_entity_decode($html, \ENT_QUOTES | \ENT_HTML5)));
    }

    /** @return list<string> ids of the places that it refers to, each once */
    public function placeIds(): array
    {
        $ids = [];
        foreach ($this->references() as $reference) {
            if (null !== $reference->placeId) {
                $ids[$reference->placeId] = true;
            }
        }

        return array_keys($ids);
    }

    /** @return list<Anchor> in the order of the text */
    public function anchors(): array
    {
        preg_match_all('/<h[2-4] id="([^"]+)">(.*?)<\/h[2-4]>/s', $this->html, $found, \PREG_SET_ORDER);

        return array_map(
            static fn (array $m): Anchor => new Anchor($m[1], trim(html_entity_decode(strip_tags($m[2]), \ENT_QUOTES | \ENT_HTML5))),
            $found,
        );
    }

    /** @return list<Blank> each once */
    public function blanks(): array
    {
        preg_match_all(self::BLANK, $this->html, $found);

        return array_values(array_filter(array_map(Blank::tryFrom(...), array_unique($found[1]))));
    }

    /**
     * The blanks that nothing fills.
     *
     * @param array<string, string> $details of the shop, by name
     *
     * @return list<Blank>
     */
    public function emptyBlanks(array $details): array
    {
        return array_values(array_filter($this->blanks(), static fn (Blank $blank): bool => '' === trim($details[$blank->detail()] ?? '')));
    }

    /**
     * The same words where links that were typed refer to the places at their addresses. One with a query
     * stays as it is: a reference has none.
     *
     * @param array<string, string> $placeIds by address
     */
    public function referring(array $placeIds): self
    {
        return new self((string) preg_replace_callback(self::TAG, static fn (array $tag): string => (string) preg_replace_callback(
            '/( (?:href|src|poster)=")(\/[^"#?]*)((?:#[^"]*)?")/',
            static function (array $found) use ($placeIds): string {
                $id = $placeIds[html_entity_decode($found[2])] ?? null;

                return null === $id ? $found[0] : "{$found[1]}place:$id{$found[3]}";
            },
            $tag[0],
        ), $this->html));
    }

    /**
     * The same words where links to a place lead to another one; or to none, and keep their words only.
     * A picture or video that is no more falls away, and a video goes on without its poster.
     *
     * @param string $address of the place, for links that were typed
     */
    public function withoutLinksTo(string $placeId, string $address, ?string $insteadId): self
    {
        $target = \sprintf('(?:place:%s|%s)(?:[?#][^"]*)?', preg_quote($placeId, '/'), preg_quote(htmlspecialchars($address), '/'));
        $html = (string) preg_replace(
            '/<img(?: [a-z-]+(?:="[^"]*")?)*? src="'.$target.'"(?: [a-z-]+(?:="[^"]*")?)* ?\/?>/',
            '',
            $this->html,
        );
        $html = (string) preg_replace(
            '/<video(?: [a-z-]+(?:="[^"]*")?)*? src="'.$target.'"(?: [a-z-]+(?:="[^"]*")?)* ?\/?>(?:<\/video>)?/',
            '',
            $html,
        );
        $html = (string) preg_replace('/(<video(?: [a-z-]+(?:="[^"]*")?)*?) poster="'.$target.'"/', '$1', $html);
        if (null !== $insteadId) {
            return new self((string) preg_replace('/(<a(?: [a-z-]+(?:="[^"]*")?)*? href=")'.$target.'"/', "$1place:$insteadId\"", $html));
        }

        return new self((string) preg_replace(
            '/<a(?: [a-z-]+(?:="[^"]*")?)*? href="'.$target.'"(?: [a-z-]+(?:="[^"]*")?)*>(.*?)<\/a>/s',
            '$1',
            $html,
        ));
    }

    /**
     * As a visitor gets it: links, pictures and video with the addresses of today, blanks filled. No video plays by itself;
     * with a poster, nothing of it is fetched before somebody asks for it.
     *
     * @param array<string, Destination> $destinations by place id; a link to a place that is missing here keeps its words only
     * @param array<string, string>      $details      of the shop, by name
     * @param string                     $prefix       what every address of this shop begins with in a preview
     */
    public function shown(array $destinations, array $details, string $prefix = ''): string
    {
        $html = (string) preg_replace_callback(self::TAG, static function (array $tag) use ($destinations, $prefix): string {
            if ('video' === $tag[1]) {
                return self::video($tag[2], $destinations, $prefix);
            }
            if (1 !== preg_match('/ (href|src)="place:([0-9a-f-]{36})(#[^"]*)?"/', $tag[2], $found)) {
                return str_replace([' href="/', ' src="/'], [" href=\"$prefix/", " src=\"$prefix/"], $tag[0]);
            }
            $to = $destinations[$found[2]] ?? null;
            if (null === $to) {
                return 'img' === $tag[1] ? '' : str_replace($found[0], '', $tag[0]);
            }
            $link = \sprintf(
                ' %s="%s%s%s"',
                $found[1],
                htmlspecialchars($prefix.$to->address->encoded()),
                $found[3] ?? '',
                'a' === $tag[1] && $to->newTab ? '" target="_blank" rel="noopener' : '',
            );

            return str_replace($found[0], $link, $tag[0]);
        }, $this->html);

        return (string) preg_replace_callback(self::BLANK, static function (array $found) use ($details): string {
            $blank = Blank::tryFrom($found[1]);

            return null === $blank ? '' : htmlspecialchars($details[$blank->detail()] ?? '');
        }, $html);
    }

    /** @param array<string, Destination> $destinations by place id */
    private static function video(string $attributes, array $destinations, string $prefix): string
    {
        $attributes = (string) preg_replace_callback('/ (src|poster)="place:([0-9a-f-]{36})"/', static function (array $found) use (
            $destinations,
            $prefix,
        ): string {
            $to = $destinations[$found[2]] ?? null;

            return null === $to ? '' : \sprintf(' %s="%s"', $found[1], htmlspecialchars($prefix.$to->address->encoded()));
        }, $attributes);

        return str_contains($attributes, ' src="')
            ? \sprintf(
                '<video%s controls playsinline preload="%s"></video>',
                $attributes,
                str_contains($attributes, ' poster="') ? 'none' : 'metadata',
            )
            : '';
    }
}
