<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Address\Address;

/** An address of the shop that stands outside of it: an advertisement, a printed code. */
final readonly class MentionContent implements Examinable
{
    public function __construct(public string $id, public string $kind, public string $name, public Address $address)
    {
    }

    public function key(): string
    {
        return "mention:$this->id";
    }

    public function examine(Examination $examination): void
    {
        $answer = $examination->links->answer($this->address->encoded());
        $subject = new Subject(SubjectType::Mention, $this->id, $this->name, where: $this->kind);
        $details = ['address' => $this->address->path, 'to' => $answer->place->title ?? '', 'place' => $answer->place->id ?? ''];
        if (!$answer->arrives()) {
            $examination->note(new Finding(
                FindingKind::MentionBroken,
                $subject,
                $details + ['is' => null === $answer->place ? '' : $examination->links->closedWords($answer->place)],
                [$this->address->path],
            ));
        } elseif ($answer->hops() > 1) {
            $examination->note(new Finding(
                FindingKind::MentionRoundabout,
                $subject,
                $details + ['trail' => $answer->trailWords(), 'hops' => $answer->hops()],
                [$this->address->path],
            ));
        }
    }
}
