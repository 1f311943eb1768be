<?php

declare(strict_types=1);

namespace Lantern\Workbench\Words;

use Lantern\Core\Address\Slug;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Refused;
use Lantern\Core\Words\Blank;
use Lantern\Reading\Answers\OwnAddresses;

/** Tidies one text: keeps the elements a text is made of, makes references of addresses, and gives headings anchors. */
final class WordsTidier
{
    /** Elements that a text is made of, with their attributes. */
    public const ALLOWED = [
        'p' => [], 'h2' => ['id'], 'h3' => ['id'], 'h4' => ['id'],
        'ul' => [], 'ol' => ['start'], 'li' => [], 'blockquote' => [], 'hr' => [], 'br' => [], 'pre' => [],
        'strong' => [], 'em' => [], 's' => [], 'code' => [], 'sub' => [], 'sup' => [],
        'a' => ['href', 'class'], 'img' => ['src', 'alt'], 'video' => ['src', 'poster', 'aria-label'], 'span' => ['data-blank'],
        'table' => [], 'thead' => [], 'tbody' => [], 'tr' => [], 'th' => ['colspan', 'rowspan', 'scope'], 'td' => ['colspan', 'rowspan'],
    ];

    private const MAX_DEPTH = 60;

    /** Elements that mean the same as an allowed one. */
    private const SAME_AS = [
        'h1' => 'h2',
        'h5' => 'h4',
        'h6' => 'h4',
        'b' => 'strong',
        'i' => 'em',
        'strike' => 's',
        'del' => 's',
        'div' => 'p',
    ];

    /** Elements that fall away without their content, and are worth telling of. */
    private const DANGEROUS = [
        'script',
        'style',
        'iframe',
        'frame',
        'frameset',
        'object',
        'embed',
        'applet',
        'form',
        'input',
        'button',
        'textarea',
        'select',
        'option',
        'svg',
        'math',
        'audio',
        'source',
        'track',
        'canvas',
        'link',
        'meta',
        'base',
        'template',
        'noscript',
        'noembed',
        'noframes',
        'xmp',
        'plaintext',
        'title',
        'head',
        'portal',
        'dialog',
        'slot',
        'marquee',
        'image',
    ];

    private \DOMDocument $document;

    /** @var array<string, true> */
    private array $takenOut = [];

    /** @var array<string, true> anchors that are in the text already */
    private array $anchors = [];

    /** @var array<string, int> how often a heading's own words were an anchor */
    private array $again = [];

    /** @param array<string, PlaceTarget> $targets what the addresses of this shop in the text lead to, by how they were typed */
    public function __construct(private readonly array $targets, private readonly OwnAddresses $own)
    {
        $this->document = new \DOMDocument('1.0', 'UTF-8');
    }

    /** @throws Refused where it is too deep to be a text */
    public function tidied(\DOMNode $fragment): \DOMElement
    {
        $root = $this->document->createElement('div');
        $this->document->appendChild($root);
        $this->copy($fragment, $root, 0);

        return $root;
    }

    /** @return list<string> in words, such as "<script>" or "onclick"; each once */
    public function takenOut(): array
    {
        return array_keys($this->takenOut);
    }

    private function copy(\DOMNode $from, \DOMNode $to, int $depth): void
    {
        if ($depth > self::MAX_DEPTH) {
            throw new Refused(
                'html',
                \sprintf('This text has more than %d things inside one another. Paste it without its formatting.', self::MAX_DEPTH),
            );
        }
        foreach ($from->childNodes as $child) {
            if ($child instanceof \DOMText) {
                $to->appendChild($this->document->createTextNode($child->data));
            } elseif ($child instanceof \DOMElement) {
                $this->element($child, $to, $depth);
            }
        }
    }

    private function element(\DOMElement $from, \DOMNode $to, int $depth): void
    {
        $name = strtolower($from->nodeName);
        $name = self::SAME_AS[$name] ?? $name;
        foreach ($from->attributes as $attribute) {
            if (str_starts_with(strtolower($attribute->nodeName), 'on')) {
                $this->takenOut[strtolower(substr($attribute->nodeName, 0, 40))] = true;
            }
        }
        if (\in_array($name, self::DANGEROUS, true)) {
            $this->takenOut["<$name>"] = true;

            return;
        }
        $element = !isset(self::ALLOWED[$name]) || 'p' === $name && self::holdsBlocks($from) ? null : $this->allowed($from, $name);
        if ('video' === $name && null === $element) {
            return;
        }
        if (null === $element) {
            // A frame around words that means nothing to a text: the words stay.
            $this->copy($from, $to, $depth + 1);

            return;
        }
        $to->appendChild($element);
        if (!\in_array($name, ['span', 'video'], true)) {
            $this->copy($from, $element, $depth + 1);
        }
        if (\in_array($name, ['h2', 'h3', 'h4'], true)) {
            $this->name($element);
        }
    }

    /** The element with the attributes that it may have; null where without them it means nothing. */
    private function allowed(\DOMElement $from, string $name): ?\DOMElement
    {
        $element = $this->document->createElement($name);
        foreach (self::ALLOWED[$name] ?? [] as $attribute) {
            if ($from->hasAttribute($attribute)) {
                $element->setAttribute($attribute, $from->getAttribute($attribute));
            }
        }
        $holds = match ($name) {
            'span' => null !== Blank::tryFrom($from->getAttribute('data-blank')),
            'a' => $this->tidyLink($element),
            'img' => $this->tidyPicture($element),
            'video' => $this->tidyVideo($element),
            default => true,
        };

        return $holds && $element instanceof \DOMElement ? $element : null;
    }

    /** @return bool whether it is still a link */
    private function tidyLink(\DOMElement $link): bool
    {
        $href = trim($link->getAttribute('href'));
        if ('' === $href) {
            return false;
        }
        $scheme = 1 === preg_match('/^([a-z][a-z0-9+.-]*):/i', (string) preg_replace('/[\x00-\x20\x7F\p{Cf}]+/u', '', $href), $found)
            ? strtolower($found[1])
            : '';
        if (!\in_array($scheme, ['', ...AllowedAttributes::SCHEMES], true)) {
            $this->takenOut["a link to $scheme:"] = true;

            return false;
        }
        if ('tel' === $scheme) {
            $href = 'tel:'.preg_replace('/[^+\d]/', '', substr($href, 4));
        }
        $href = $this->reference($href) ?? $href;
        // By the very rules of the sanitizer, so that no link is left that leads nowhere.
        if (!AllowedAttributes::isLink($href)) {
            $this->takenOut['a link that is no whole address'] = true;

            return false;
        }
        $link->setAttribute('href', $href);

        return true;
    }

    private function tidyPicture(\DOMElement $picture): bool
    {
        if ($this->refer($picture, 'src')) {
            return true;
        }
        $this->takenOut['a picture that is not one of this shop’s files'] = true;

        return false;
    }

    private function tidyVideo(\DOMElement $video): bool
    {
        if (!$this->refer($video, 'src')) {
            $this->takenOut['a video that is not one of this shop’s files'] = true;

            return false;
        }
        if ($video->hasAttribute('poster') && !$this->refer($video, 'poster')) {
            $video->removeAttribute('poster');
            $this->takenOut['a poster that is not one of this shop’s files'] = true;
        }

        return true;
    }

    /** Makes a reference of what an attribute says; false where that is nothing of this shop. */
    private function refer(\DOMElement $element, string $attribute): bool
    {
        $typed = trim($element->getAttribute($attribute));
        $reference = str_starts_with($typed, 'place:') ? $typed : $this->reference($typed);
        if (null !== $reference) {
            $element->setAttribute($attribute, explode('#', $reference)[0]);
        }

        return null !== $reference;
    }

    /** What an address of this shop refers to; null where it is no such address, or no place is behind it. */
    private function reference(string $typed): ?string
    {
        $target = $this->targets[$typed] ?? null;
        [$address, $part] = explode('#', $this->own->within($typed) ?? '', 2) + ['', ''];

        return null === $target || str_contains($address, '?') ? null : "place:{$target->placeId}".('' === $part ? '' : "#$part");
    }

    /** Every heading gets an anchor that is once in the text, so that links and menus can lead to it. */
    private function name(\DOMElement $heading): void
    {
        $wanted = $heading->getAttribute('id');
        $slug = Slug::fromTitle('' === $wanted ? mb_substr($heading->textContent, 0, 200) : $wanted, 'part');
        $nth = $this->again[$slug->text] ?? 1;
        do {
            $anchor = $slug->nth($nth++)->text;
        } while (isset($this->anchors[$anchor]));
        $this->again[$slug->text] = $nth;
        $this->anchors[$anchor] = true;
        $heading->setAttribute('id', $anchor);
    }

    private static function holdsBlocks(\DOMElement $element): bool
    {
        foreach ($element->childNodes as $child) {
            if (
                $child instanceof \DOMElement
                && \in_array(
                    strtolower($child->nodeName),
                    ['p', 'div', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'ul', 'ol', 'table', 'blockquote', 'pre', 'hr', 'section', 'article'],
                    true,
                )
            ) {
                return true;
            }
        }

        return false;
    }
}
