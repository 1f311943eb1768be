<?php

declare(strict_types=1);

namespace Lantern\Persistence\Words;

use Lantern\Core\Address\BadAddress;
use Lantern\Core\Address\Slug;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Refused;
use Lantern\Core\Visitor;
use Lantern\Core\Words\Blank;
use Lantern\Core\Words\Words;
use Lantern\Persistence\Copies;
use Lantern\Persistence\OwnAddresses;
use Masterminds\HTML5;
use Psr\Clock\ClockInterface;
use Symfony\Component\HtmlSanitizer\HtmlSanitizer;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;

/**
 * Makes of whatever was typed or pasted a text that may be stored. First it is tidied: addresses of
 * this shop become references to their places, headings get anchors. Then Symfony's sanitizer writes
 * it anew from what is allowed, and nothing else touches it after that.
 */
final readonly class WordsCleaner
{
    public const MAX_BYTES = 400_000;
    private const MAX_DEPTH = 60;

    /** Elements that a text is made of, with their attributes. */
    private const ALLOWED = [
        'p' => [], 'h2' => ['id'], 'h3' => ['id'], 'h4' => ['id'],
        'ul' => [], 'ol' => ['start'], 'li' => [], 'blockquote' => [], 'hr' => [], 'br' => [], 'pre' => [],
        'strong' => [], 'em' => [], 's' => [], 'code' => [], 'sub' => [], 'sup' => [],
        'a' => ['href', 'class'], 'img' => ['src', 'alt'], 'span' => ['data-blank'],
        'table' => [], 'thead' => [], 'tbody' => [], 'tr' => [], 'th' => ['colspan', 'rowspan', 'scope'], 'td' => ['colspan', 'rowspan'],
    ];

    /** Elements that mean the same as an allowed one. */
    private const SAME_AS = ['h1' => 'h2', 'h5' => 'h4', 'h6' => 'h4', 'b' => 'strong', 'i' => 'em', 'strike' => 's', 'del' => 's', 'div' => 'p'];

    /** Elements that fall away without their content, and are worth telling of. */
    private const DANGEROUS = ['script', 'style', 'iframe', 'frame', 'frameset', 'object', 'embed', 'applet', 'form', 'input', 'button', 'textarea', 'select', 'option', 'svg', 'math', 'video', 'audio', 'source', 'track', 'canvas', 'link', 'meta', 'base', 'template', 'noscript', 'noembed', 'noframes', 'xmp', 'plaintext', 'title', 'head', 'portal', 'dialog', 'slot', 'marquee', 'image'];

    private HtmlSanitizer $sanitizer;

    public function __construct(
        private Copies $copies,
        private ClockInterface $clock,
        private OwnAddresses $own,
    ) {
        $config = (new HtmlSanitizerConfig())
            ->allowLinkSchemes(['http', 'https', 'mailto', 'tel', 'place'])
            ->allowMediaSchemes(['place'])
            ->allowRelativeLinks()
            ->allowRelativeMedias()
            ->withMaxInputLength(3 * self::MAX_BYTES)
            ->withAttributeSanitizer(new AllowedAttributes());
        foreach (self::ALLOWED as $element => $attributes) {
            $config = $config->allowElement($element, $attributes);
        }
        $this->sanitizer = new HtmlSanitizer($config);
    }

    /** @throws Refused where the text is too long or too deep to be one */
    public function clean(string $html): CleanedWords
    {
        if (\strlen($html) > self::MAX_BYTES) {
            throw new Refused('html', \sprintf('A text has at most %s characters; this one has %s. Make two pages of it.', number_format(self::MAX_BYTES), number_format(\strlen($html))));
        }
        $html5 = new HTML5(['disable_html_ns' => true, 'encode_entities' => false]);
        $fragment = $html5->loadHTMLFragment(str_replace("\0", '', mb_scrub($html, 'UTF-8')));
        $tidied = new \DOMDocument('1.0', 'UTF-8');
        $root = $tidied->appendChild($tidied->createElement('div'));
        $takenOut = [];
        $this->copyTidied($fragment, $root, $takenOut, 0);
        $this->nameHeadings($root);
        $written = '';
        foreach ($root->childNodes as $child) {
            $written .= $html5->saveHTML($child);
        }

        return new CleanedWords(new Words(self::neatly($this->sanitizer->sanitize($written))), array_keys($takenOut));
    }

    /** @param array<string, true> $takenOut */
    private function copyTidied(\DOMNode $from, \DOMNode $to, array &$takenOut, int $depth): void
    {
        if ($depth > self::MAX_DEPTH) {
            throw new Refused('html', \sprintf('This text has more than %d things inside one another. Paste it without its formatting.', self::MAX_DEPTH));
        }
        foreach ($from->childNodes as $child) {
            if ($child instanceof \DOMText) {
                $to->appendChild(self::documentOf($to)->createTextNode($child->data));
            } elseif ($child instanceof \DOMElement) {
                $this->copyElement($child, $to, $takenOut, $depth);
            }
        }
    }

    /** @param array<string, true> $takenOut */
    private function copyElement(\DOMElement $from, \DOMNode $to, array &$takenOut, int $depth): void
    {
        $name = strtolower($from->nodeName);
        $name = self::SAME_AS[$name] ?? $name;
        foreach ($from->attributes as $attribute) {
            if (str_starts_with(strtolower($attribute->nodeName), 'on')) {
                $takenOut[strtolower(substr($attribute->nodeName, 0, 40))] = true;
            }
        }
        if (\in_array($name, self::DANGEROUS, true)) {
            $takenOut["<$name>"] = true;

            return;
        }
        if (!isset(self::ALLOWED[$name]) || ('p' === $name && self::holdsBlocks($from))) {
            // A frame around words that means nothing to a text: the words stay.
            $this->copyTidied($from, $to, $takenOut, $depth + 1);

            return;
        }
        $element = self::documentOf($to)->createElement($name);
        foreach (self::ALLOWED[$name] as $attribute) {
            if ($from->hasAttribute($attribute)) {
                $element->setAttribute($attribute, $from->getAttribute($attribute));
            }
        }
        if ('span' === $name && null === Blank::tryFrom($from->getAttribute('data-blank'))) {
            $this->copyTidied($from, $to, $takenOut, $depth + 1);

            return;
        }
        if ('a' === $name && !$this->tidyLink($element, $takenOut) || 'img' === $name && !$this->tidyPicture($element, $takenOut)) {
            $this->copyTidied($from, $to, $takenOut, $depth + 1);

            return;
        }
        $to->appendChild($element);
        if ('span' !== $name) {
            $this->copyTidied($from, $element, $takenOut, $depth + 1);
        }
    }

    /**
     * @param array<string, true> $takenOut
     *
     * @return bool whether it is still a link
     */
    private function tidyLink(\DOMElement $link, array &$takenOut): bool
    {
        $href = trim($link->getAttribute('href'));
        if ('' === $href) {
            return false;
        }
        $scheme = 1 === preg_match('/^([a-z][a-z0-9+.-]*):/i', (string) preg_replace('/[\x00-\x20\x7F\p{Cf}]+/u', '', $href), $found) ? strtolower($found[1]) : '';
        if (!\in_array($scheme, ['', 'http', 'https', 'mailto', 'tel', 'place'], true)) {
            $takenOut["a link to $scheme:"] = true;

            return false;
        }
        if ('tel' === $scheme) {
            $href = 'tel:'.preg_replace('/[^+\d]/', '', substr($href, 4));
        }
        $href = $this->reference($href) ?? $href;
        // The sanitizer itself is asked, so that no link is left that leads nowhere.
        if (!str_contains($this->sanitizer->sanitize(\sprintf('<a href="%s">x</a>', htmlspecialchars($href))), ' href=')) {
            $takenOut['a link that is no whole address'] = true;

            return false;
        }
        $link->setAttribute('href', $href);

        return true;
    }

    /** @param array<string, true> $takenOut */
    private function tidyPicture(\DOMElement $picture, array &$takenOut): bool
    {
        $src = trim($picture->getAttribute('src'));
        $reference = str_starts_with($src, 'place:') ? $src : $this->reference($src);
        if (null === $reference) {
            $takenOut['a picture that is not one of this shop’s files'] = true;

            return false;
        }
        $picture->setAttribute('src', explode('#', $reference)[0]);

        return true;
    }

    /** What an address of this shop refers to; null where it is no such address, or no place is behind it. */
    private function reference(string $typed): ?string
    {
        $typed = $this->own->within($typed);
        if (null === $typed) {
            return null;
        }
        [$address, $part] = explode('#', $typed, 2) + ['', ''];
        if (str_contains($address, '?')) {
            return null;
        }
        try {
            $workbench = $this->copies->workbench;
            $place = (new Answerer($workbench->places, $workbench->rules))->answer($address, Visitor::guest($this->clock->now()))->place;
        } catch (BadAddress) {
            return null;
        }

        return null === $place ? null : "place:{$place->id}".('' === $part ? '' : "#$part");
    }

    /** Every heading gets an anchor that is once in the text, so that links and menus can lead to it. */
    private function nameHeadings(\DOMNode $root): void
    {
        $taken = [];
        foreach ((new \DOMXPath(self::documentOf($root)))->query('.//h2 | .//h3 | .//h4', $root) ?: [] as $heading) {
            if (!$heading instanceof \DOMElement) {
                continue;
            }
            $wanted = $heading->getAttribute('id');
            $slug = Slug::fromTitle('' === $wanted ? $heading->textContent : $wanted, 'part')->unlessTaken(static fn (string $name): bool => isset($taken[$name]));
            $taken[$slug->text] = true;
            $heading->setAttribute('id', $slug->text);
        }
    }

    private static function holdsBlocks(\DOMElement $element): bool
    {
        foreach ($element->childNodes as $child) {
            if ($child instanceof \DOMElement && \in_array(strtolower($child->nodeName), ['p', 'div', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'ul', 'ol', 'table', 'blockquote', 'pre', 'hr', 'section', 'article'], true)) {
                return true;
            }
        }

        return false;
    }

    /**
     * The sanitizer writes some harmless characters as numbers, for readers that are not HTML5. Whoever
     * edits the source should find them as they were typed; none of them means anything within double
     * quotes or between tags.
     */
    private static function neatly(string $html): string
    {
        return strtr($html, ['&#43;' => '+', '&#61;' => '=', '&#64;' => '@', '&#96;' => '`', '&#039;' => "'"]);
    }

    private static function documentOf(\DOMNode $node): \DOMDocument
    {
        return $node->ownerDocument ?? throw new \LogicException('A node without a document.');
    }
}
