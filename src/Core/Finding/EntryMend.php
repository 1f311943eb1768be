<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Looks\Colour;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Lift;
use Lantern\Core\Menu\Move;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Remove;
use Lantern\Core\Menu\Rewrite;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Colours;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\Picture;
use Lantern\Core\Piece\Text;
use Lantern\Core\Place\Opening;
use Lantern\Core\Refused;
use Lantern\Core\Words\Words;

/** The move in a menu, a page or a panel that mends a finding about one of its entries or pieces. */
final readonly class EntryMend
{
    public function __construct(private Finding $finding, private MendKind $mend, private MendAnswer $answer)
    {
    }

    /** @throws Refused where the entry is no longer there, or cannot be so */
    public function move(Tree $tree): Move
    {
        $entry = $tree->get($this->finding->subject->id);
        if ($entry->content instanceof Text && $this->isInWords()) {
            return new Rewrite(
                $entry->withContent(
                    $entry->content->withHtml(
                        (new LinkMend($this->finding, $this->mend, $this->answer))->of(new Words($entry->content->html))->html,
                    ),
                ),
            );
        }

        return match ($this->mend) {
            MendKind::TakeOut => [] === $entry->children || null !== $entry->content ? new Remove($entry->id) : new Lift($entry->id),
            MendKind::LeadElsewhere => new Rewrite($this->with($entry, new PlaceTarget($this->answer->placeId()))),
            MendKind::NearestPart => new Rewrite($this->with(
                $entry,
                new PlaceTarget($this->finding->detail('place'), $this->finding->detail('nearest')),
            )),
            MendKind::WholePage => new Rewrite($this->with($entry, new PlaceTarget($this->finding->detail('place')))),
            MendKind::NewAddress => new Rewrite($this->with($entry, new OutsideTarget($this->finding->detail('new')))),
            MendKind::AnotherLabel => new Rewrite($entry->withChildren([])->withLabel($this->answer->text())),
            MendKind::DatesOfPlace => new Rewrite($entry->withChildren([])->withOpening(new Opening())),
            MendKind::Write, MendKind::NearestColour => new Rewrite($this->piece($entry)),
            default => throw new ByHand(),
        };
    }

    /** Whether it is about what stands in the words of a piece, and not about the piece. */
    private function isInWords(): bool
    {
        return !\in_array($this->finding->kind, [FindingKind::SignUpTwice, FindingKind::Pale, FindingKind::EntryClosed], true);
    }

    private function with(Entry $entry, PlaceTarget|OutsideTarget $target): Entry
    {
        // One that was called after its place keeps the words that visitors know.
        $label = $entry->label ?? (null === $entry->content && $target instanceof OutsideTarget ? $this->finding->subject->name : null);

        return (null === $label ? $entry : $entry->withLabel($label))->withChildren([])->withTarget($target);
    }

    private function piece(Entry $entry): Entry
    {
        $piece = $entry->content;
        if ($piece instanceof Picture) {
            return $entry->withContent($piece->withWords($this->answer->text()));
        }
        $name = $this->finding->detail('name');
        if (!$piece instanceof Band && !$piece instanceof Panel || !\in_array($name, ['heading', 'text', 'link', 'pointed'], true)) {
            throw new ByHand();
        }
        $colour = Colour::fromHex($this->finding->detail('colour'));
        $own = new Colours(...[$name => $colour]);
        $colours = $own->over($piece->colours);

        return $entry->withContent($piece instanceof Band
            ? new Band($piece->width, $piece->gap, $piece->room, $piece->ground, $colours)
            : new Panel($piece->width, $piece->distance, $piece->room, $piece->ground, $colours, $piece->byClick, $piece->fades));
    }
}
