<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\BadAddress;
use Lantern\Core\Address\Query;
use Lantern\Core\Answer\Answer;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Visitor;

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
                $addresses[] = Address::parse(Query::split($target)[0]);
            } catch (BadAddress) {
                // It gets its own answer, which says so.
            }
        }
        $rules = $this->copy->rules->around(array_map(static fn (Address $address): string => $address->path, $addresses));
        $places = new RememberedPlaces($this->copy->places);
        $ids = [];
        foreach ($rules->rules() as $rule) {
            $addresses[] = $rule->goal->address ?? $rule->source;
            $ids[$rule->goal->placeId ?? ''] = true;
        }
        unset($ids['']);
        $places->remember($addresses, array_keys($ids));
        $answerer = new Answerer($places, $rules);

        return array_map(static fn (string $target): Answer => $answerer->answer($target, $visitor), $targets);
    }
}
