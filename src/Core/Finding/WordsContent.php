<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Place\Place;
use Lantern\Core\Words\Words;

/** The words of a place. */
final readonly class WordsContent implements Examinable
{
    public function __construct(public string $placeId, public Words $words)
    {
    }

    public function key(): string
    {
        return "words:$this->placeId";
    }

    public function examine(Examination $examination): void
    {
        $place = $examination->shop->get($this->placeId);
        // Nobody reads the words of a place that does not open, nor those behind a layout.
        if (
            $examination->shop->isLaidOut($this->placeId)
            || null === $place
            || !$place->kind->hasWords()
            || !$place->opensAt($examination->moment)
        ) {
            return;
        }
        self::look($this->words, new Subject(SubjectType::Text, $place->id, $place->title), [$place->address->path], $examination, $place);
    }

    /**
     * Words wherever they stand: those of a place, or of a piece.
     *
     * @param list<string> $met addresses whose visitors read them
     * @param Place|null   $on  the page that they stand on; null: around every page
     */
    public static function look(Words $words, Subject $subject, array $met, Examination $examination, ?Place $on = null): void
    {
        if (null !== $on) {
            foreach ($words->ownParts() as $part => $label) {
                $examination->links->part($on, (string) $part, '' === $label ? 'A link' : "“{$label}”", $subject, $met);
            }
        }
        foreach ($words->links() as $link) {
            $examination->links->link($link, $subject, $met);
            if ('picture' === $link->form && '' === trim($link->words)) {
                $examination->note(new Finding(
                    FindingKind::PictureWithoutWords,
                    $subject,
                    ['place' => $link->placeId ?? ''],
                    $met,
                    $link->placeId ?? $link->address ?? '',
                ));
            }
        }
        if ([] === $words->blanks()) {
            return;
        }
        foreach ($words->emptyBlanks($examination->shop->settings()->values) as $blank) {
            $examination->note(new Finding(
                FindingKind::BlankEmpty,
                $subject,
                ['blank' => $blank->words(), 'detail' => $blank->detail()],
                $met,
                $blank->value,
            ));
        }
    }
}
