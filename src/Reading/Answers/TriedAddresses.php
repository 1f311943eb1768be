<?php

declare(strict_types=1);

namespace Lantern\Reading\Answers;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\BadAddress;
use Lantern\Core\Address\SplitTarget;
use Lantern\Core\Answer\Answer;
use Lantern\Core\Visitor;
use Lantern\Reading\Copies\Copy;

/** Answers a list of addresses as a visitor would get them, in a few queries for all of them. */
final readonly class TriedAddresses
{
    public function __construct(private Copy $copy, private OwnAddresses $own)
    {
    }

    /**
     * @param list<string> $typed with or without the domain, with or without the first slash
     *
     * @return list<Answer> in the same order
     */
    public function answers(array $typed, Visitor $visitor): array
    {
        $targets = array_map(fn (string $one): string => $this->own->within($one) ?? '/'.ltrim(trim($one), '/'), $typed);
        $addresses = [];
        foreach ($targets as $target) {
            try {
                $addresses[] = Address::parse(SplitTarget::of($target)->path);
            } catch (BadAddress) {
                // It gets its own answer, which says so.
            }
        }
        $answerer = OwnAddresses::answerer($this->copy, $addresses);

        return array_map(static fn (string $target): Answer => $answerer->answer($target, $visitor), $targets);
    }
}
