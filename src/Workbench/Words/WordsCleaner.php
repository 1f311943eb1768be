<?php

declare(strict_types=1);

namespace Lantern\Workbench\Words;

use Lantern\Core\Refused;
use Lantern\Core\Words\Words;
use Lantern\Reading\Answers\OwnAddresses;
use Masterminds\HTML5;
use Symfony\Component\HtmlSanitizer\HtmlSanitizer;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;

/**
 * Makes of whatever was typed or pasted a text that may be stored. First it is tidied: addresses of
 * this shop become references to their places, headings get anchors. Then Symfony's sanitizer writes
 * it anew from what is allowed, and nothing else touches it after that. The time it takes is in
 * proportion to the text.
 */
final readonly class WordsCleaner
{
    public const MAX_BYTES = 400_000;

    /** An element with more attributes than any editor writes; DOM takes quadratic time for them. */
    private const TOO_MANY_ATTRIBUTES = '/<[a-z][^\s>]*+(?:\s++[^\s=>"\']++(?:\s*+=\s*+(?:"[^"]*+"|\'[^\']*+\'|[^\s>]++))?+){60}/i';

    private HtmlSanitizer $sanitizer;

    public function __construct(private OwnAddresses $own)
    {
        $config = (new HtmlSanitizerConfig())
            ->allowLinkSchemes(AllowedAttributes::SCHEMES)
            ->allowMediaSchemes(['place'])
            ->allowRelativeLinks()
            ->allowRelativeMedias()
            ->withMaxInputLength(3 * self::MAX_BYTES)
            ->withAttributeSanitizer(new AllowedAttributes());
        foreach (WordsTidier::ALLOWED as $element => $attributes) {
            $config = $config->allowElement($element, $attributes);
        }
        $this->sanitizer = new HtmlSanitizer($config);
    }

    /** @throws Refused where the text is too long or too deep to be one */
    public function clean(string $html): CleanedWords
    {
        if (\strlen($html) > self::MAX_BYTES) {
            throw new Refused(
                'html',
                \sprintf(
                    'A text has at most %s characters; this one has %s. Make two pages of it.',
                    number_format(self::MAX_BYTES),
                    number_format(\strlen($html)),
                ),
            );
        }
        $html = str_replace("\0", '', mb_scrub($html, 'UTF-8'));
        if (0 !== preg_match(self::TOO_MANY_ATTRIBUTES, $html)) {
            throw new Refused('html', 'This text has an element with more than sixty attributes. Paste it without its formatting.');
        }
        $html5 = new HTML5(['disable_html_ns' => true, 'encode_entities' => false]);
        $fragment = $html5->loadHTMLFragment($html);
        $tidier = new WordsTidier($this->own->targets(self::addressesIn($fragment)), $this->own);
        $root = $tidier->tidied($fragment);
        $written = '';
        foreach ($root->childNodes as $child) {
            $written .= $html5->saveHTML($child);
        }

        return new CleanedWords(new Words(self::neatly($this->sanitizer->sanitize($written))), $tidier->takenOut());
    }

    /** @return list<string> every address in a text, each once */
    private static function addressesIn(\DOMNode $node): array
    {
        $found = [];
        $open = [$node];
        while (null !== $one = array_pop($open)) {
            foreach ($one->childNodes as $child) {
                if ($child instanceof \DOMElement) {
                    foreach (['href', 'src', 'poster'] as $attribute) {
                        $found[trim($child->getAttribute($attribute))] = true;
                    }
                    $open[] = $child;
                }
            }
        }
        unset($found['']);

        return array_map(strval(...), array_keys($found));
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
}
