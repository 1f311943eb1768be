<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Refused;

/** Some of the shop's details: they follow when a detail changes, and an empty one is left out. */
final readonly class Contact extends Piece
{
    /** @var list<ContactDetail> */
    public array $details;

    /** @param list<ContactDetail> $details in any order */
    public function __construct(array $details = [ContactDetail::Name, ContactDetail::Tagline, ContactDetail::Mail])
    {
        if ([] === $details) {
            throw new Refused('details', 'Choose at least one of the shop’s details, or take the piece out.');
        }
        $this->details = array_values(array_filter(
            ContactDetail::cases(),
            static fn (ContactDetail $one): bool => \in_array($one, $details, true),
        ));
    }

    public function kind(): PieceKind
    {
        return PieceKind::Contact;
    }

    /**
     * @param array<string, string> $values of the shop, by detail
     *
     * @return array<string, string> what there is to show, by detail
     */
    public function shown(array $values): array
    {
        $shown = [];
        foreach ($this->details as $detail) {
            if ('' !== ($values[$detail->value] ?? '')) {
                $shown[$detail->value] = $values[$detail->value];
            }
        }

        return $shown;
    }
}
