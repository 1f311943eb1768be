<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Place\Audience;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\ListedText;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;

/** A place itself: what it answers while it is closed, what it lists, what leads to it, what search engines are told. */
final readonly class PlaceContent implements Examinable
{
    public function __construct(public Place $place, private string $summary)
    {
    }

    public function key(): string
    {
        return "place:{$this->place->id}";
    }

    public function examine(Examination $examination): void
    {
        $place = $this->place;
        $examination->shop->until($place->opening->nextChange($examination->moment));
        if (null !== $place->parentId) {
            // The page of what it stands below lists it, or leads up to it.
            $examination->shop->get($place->parentId);
        }
        if (!$place->opensAt($examination->moment)) {
            $this->closed($examination);

            return;
        }
        $light = $place->lightAt($examination->moment);
        if (Light::Open === $light) {
            $this->led($examination);
        }
        if (PlaceKind::Policy === $place->kind && !$examination->shop->isInFooter($place->id)) {
            $this->note($examination, FindingKind::PolicyNotInFooter);
        }
        if ($place->listing->listed) {
            $this->listed($examination);
        }
    }

    private function closed(Examination $examination): void
    {
        if (ClosedAnswer::Elsewhere !== $this->place->closedAnswer) {
            return;
        }
        $to = null === $this->place->closedTo ? null : $examination->shop->get($this->place->closedTo);
        if (null !== $to && $to->opensAt($examination->moment)) {
            return;
        }
        $answer = $examination->links->answer($this->place->address->encoded());
        if (!$answer->isRedirect()) {
            $this->note(
                $examination,
                FindingKind::ClosedAnswerNowhere,
                ['to' => $to->title ?? '', 'place' => $to->id ?? '', 'is' => $examination->links->closedWords($to)],
            );
        }
    }

    private function led(Examination $examination): void
    {
        $place = $this->place;
        if (
            \in_array($place->kind, [PlaceKind::Category, PlaceKind::Collection, PlaceKind::PageGroup, PlaceKind::Journal], true)
            && !$examination->shop->listsAnything($place)
        ) {
            if ($examination->shop->isLedTo($place)) {
                $this->note($examination, FindingKind::ListsNothing);
            }

            return;
        }
        if (!\in_array($place->kind, [PlaceKind::FrontPage, PlaceKind::Search], true) && !$examination->shop->isLedTo($place)) {
            $this->note($examination, FindingKind::PlaceAlone);
        }
    }

    private function listed(Examination $examination): void
    {
        $place = $this->place;
        if (Audience::Everyone !== $place->audience) {
            $this->note(
                $examination,
                FindingKind::ListingForSome,
                ['for' => Audience::Customers === $place->audience ? 'customers who are signed in' : 'guests'],
            );

            return;
        }
        $description = $place->listing->pageDescription($this->summary);
        $title = $place->listing->pageTitle($place->title, $examination->shop->shopName());
        if ('' === trim($description)) {
            $this->note($examination, FindingKind::ListingWithoutDescription);
        }
        if (!ListedText::title($title)->fits()) {
            $this->note(
                $examination,
                FindingKind::ListingTooLong,
                ['what' => 'title', 'shown' => ListedText::title($title)->shown(), 'own' => '' === $place->listing->title ? 0 : 1],
                'title',
            );
        } elseif ('' !== $place->listing->description && !ListedText::description($place->listing->description)->fits()) {
            $this->note(
                $examination,
                FindingKind::ListingTooLong,
                ['what' => 'description', 'shown' => ListedText::description($place->listing->description)->shown(), 'own' => 1],
                'description',
            );
        }
        $this->titledTwice($examination);
    }

    private function titledTwice(Examination $examination): void
    {
        $place = $this->place;
        $title = '' === $place->listing->title ? $place->title : $place->listing->title;
        foreach ($examination->shop->titled($title) as $other) {
            // Of the two it is told where the younger one is: that is the one to change.
            if ($other->id < $place->id) {
                $this->note(
                    $examination,
                    FindingKind::ListingTitleTwice,
                    [
                        'title' => $title,
                        'other' => $other->title,
                        'at' => $other->address->path,
                        'own' => '' === $place->listing->title ? 0 : 1,
                    ],
                );

                return;
            }
        }
    }

    /** @param array<string, string|int> $details */
    private function note(Examination $examination, FindingKind $kind, array $details = [], string $apart = ''): void
    {
        $examination->note(new Finding(
            $kind,
            new Subject(SubjectType::Place, $this->place->id, $this->place->title, where: $this->place->kind->words()),
            $details + ['address' => $this->place->address->path],
            [$this->place->address->path],
            $apart,
        ));
    }
}
